import type { Component } from 'vue'
import type { SheetKey } from './stations'

/** What shows each sheet, fetched when it is opened; a sheet without one does not compile. */
export const SHEET_VIEWS: Record<SheetKey, () => Promise<{ default: Component }>> = {
  'rig/': () => import('~/components/rig/RigChoice.vue'),
  'rig/marks': () => import('~/components/marks/MarksSheet.vue'),
  'rig/describe': () => import('~/components/rig/RigDescribed.vue'),
  'blade/': () => import('~/components/blade/BladeChoice.vue'),
  'blade/describe': () => import('~/components/blade/BladeDescribed.vue'),
  'clamp/': () => import('~/components/clamp/BenchSheet.vue'),
  'clamp/even': () => import('~/components/even/EvenSheet.vue'),
  'clamp/hold': () => import('~/components/hold/HoldSheet.vue'),
  'clamp/gauge': () => import('~/components/gauge/GaugeSheet.vue'),
  'clamp/card': () => import('~/components/card/CardSheet.vue'),
  'mark/': () => import('~/components/ink/MarkSheet.vue'),
  'mark/photo': () => import('~/components/ink/InkPhotoSheet.vue'),
  'mark/decide': () => import('~/components/ink/DecideSheet.vue'),
  'mark/practice': () => import('~/components/ink/PracticeSheet.vue'),
  'grind/': () => import('~/components/order/OrderSheet.vue'),
  'prove/': () => import('~/components/prove/ProveSheet.vue'),
  'prove/photo': () => import('~/components/prove/GoniometerPhotoSheet.vue'),
  'prove/bevel': () => import('~/components/prove/BevelSheet.vue'),
  'prove/report': () => import('~/components/prove/ReportSheet.vue'),
  'prove/calibrate': () => import('~/components/prove/CalibrateSheet.vue'),
  'doubt/': () => import('~/components/sure/SureSheet.vue'),
  'doubt/sides': () => import('~/components/sides/SidesSheet.vue'),
  'doubt/what-if': () => import('~/components/whatif/WhatIfSheet.vue'),
}
