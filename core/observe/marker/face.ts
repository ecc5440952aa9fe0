/**
 * The face of a bevel at one place of one side: its angle to the blade's centre plane at the shoulder and at the apex,
 * degrees, running evenly between them. Alike: flat. Steeper at the apex: convex. Flatter there: hollow.
 */
export interface BevelFace {
  readonly shoulderDeg: number
  readonly apexDeg: number
  /** From shoulder to apex along the face, mm. */
  readonly widthMm: number
  /** Radius of a dull apex, micrometres; left out: sharp. */
  readonly apexRadiusUm?: number
}

export type FaceKind = 'flat' | 'convex' | 'hollow'
