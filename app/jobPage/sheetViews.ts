import type { Component } from 'vue'
import { placeAt, type SheetAddress, type SheetKey } from '~/navigation/stations'

/** What shows each sheet, fetched when it is opened; a sheet without one does not compile. */
const SHEET_VIEWS: Record<SheetKey, () => Promise<{ default: Component }>> = {
  'rig/': () => import('~/stations/rig/RigChoice.vue'),
  'rig/marks': () => import('~/stations/rig/marks/MarksSheet.vue'),
  'rig/describe': () => import('~/stations/rig/RigDescribed.vue'),
  'blade/': () => import('~/stations/blade/BladeChoice.vue'),
  'blade/describe': () => import('~/stations/blade/BladeDescribed.vue'),
  'clamp/': () => import('~/stations/clamp/bench/BenchSheet.vue'),
  'clamp/even': () => import('~/stations/clamp/even/EvenSheet.vue'),
  'clamp/hold': () => import('~/stations/clamp/hold/HoldSheet.vue'),
  'clamp/gauge': () => import('~/stations/clamp/gauge/GaugeSheet.vue'),
  'clamp/card': () => import('~/stations/clamp/card/CardSheet.vue'),
  'mark/': () => import('~/stations/mark/MarkSheet.vue'),
  'mark/photo': () => import('~/stations/mark/photo/InkPhotoSheet.vue'),
  'mark/decide': () => import('~/stations/mark/decide/DecideSheet.vue'),
  'mark/practice': () => import('~/stations/mark/practice/PracticeSheet.vue'),
  'grind/': () => import('~/stations/grind/OrderSheet.vue'),
  'grind/plan': () => import('~/stations/grind/plan/PlanSheet.vue'),
  'grind/bench': () => import('~/stations/grind/bench/StoneBench.vue'),
  'grind/photo': () => import('~/stations/grind/photo/ScratchPhotoSheet.vue'),
  'grind/life': () => import('~/stations/grind/life/LifeSheet.vue'),
  'prove/': () => import('~/stations/prove/ProveSheet.vue'),
  'prove/photo': () => import('~/stations/prove/photo/GoniometerPhotoSheet.vue'),
  'prove/bevel': () => import('~/stations/prove/bevel/BevelSheet.vue'),
  'prove/report': () => import('~/stations/prove/report/ReportSheet.vue'),
  'prove/calibrate': () => import('~/stations/prove/calibrate/CalibrateSheet.vue'),
  'use/': () => import('~/stations/use/UseSheet.vue'),
  'use/ticket': () => import('~/stations/use/ticket/TicketSheet.vue'),
  'use/record': () => import('~/stations/use/record/RecordSheet.vue'),
  'use/hand': () => import('~/stations/use/hand/HandSheet.vue'),
  'uncertainty/': () => import('~/stations/uncertainty/SureSheet.vue'),
  'uncertainty/sides': () => import('~/stations/uncertainty/sides/SidesSheet.vue'),
  'uncertainty/what-if': () => import('~/stations/uncertainty/whatIf/WhatIfSheet.vue'),
}

export const sheetViewOf = ({ room, sheet }: SheetAddress) => SHEET_VIEWS[`${room.id}/${sheet.id}` as SheetKey]

/** Fetches what shows the sheet at an address, if it is one, before it is needed. */
export function fetchSheetView(path: string): void {
  const place = placeAt(path)
  if (place) void sheetViewOf(place)()
}
