import { expose } from 'comlink'
import { burntOutBeside } from '#core/photo/trace/burntOut'
import { findBlade, type BladeFound, type OtherWay } from '#core/photo/trace/findBlade'
import { findSheet, lensOfSheet, type SheetFound } from '#core/photo/trace/findSheet'
import type { Lens } from '#core/photo/trace/lens'
import { scaleOfSheet, type SheetSize } from '#core/photo/trace/pictureScale'
import { toGray, type GrayPicture } from '#core/photo/picture/grayPicture'
import type { SnappedOutline } from '#core/photo/trace/smoothOutline'
import { snapToOutline, type OutlineKnown } from '#core/photo/trace/snap'
import type { Vec2 } from '#core/math/vector/vec2'
import { pixelsOf } from './pixelsOf'

let picture: GrayPicture | null = null

/** Keeps one photograph's brightness and finds outlines in it, away from the screen. */
const tracer = {
  async load(photo: Blob): Promise<void> {
    const { pixels, width, height } = await pixelsOf(photo)
    picture = toGray(pixels, width, height)
  },
  /** The corners of the sheet, as far as one is seen. */
  sheet(): SheetFound | null {
    return picture && findSheet(picture)
  },
  /** The lens that bows the sides of the sheet between its corners. */
  lens(corners: Vec2[]): Lens | null {
    return picture && lensOfSheet(picture, corners)
  },
  /** Marks for the blade that lies on the sheet. */
  blade(corners: Vec2[], size: SheetSize, otherWay: OtherWay): BladeFound | null {
    const scale = picture && scaleOfSheet(corners, size, lensOfSheet(picture, corners))
    return picture && scale && findBlade(picture, scale, size, otherWay)
  },
  snap(rough: Vec2[], reachPx: number, known: OutlineKnown): (SnappedOutline & { burntOut: boolean }) | null {
    if (!picture) return null
    const found = snapToOutline(picture, rough, reachPx, known)
    return { ...found, burntOut: known.inside ? burntOutBeside(picture, found.points, known.inside) : false }
  },
}
export type Tracer = typeof tracer

expose(tracer)
