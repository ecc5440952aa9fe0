import { bench, describe } from 'vitest'
import type { Vec2 } from '../../math/vector/vec2'
import { toGray } from '../picture/grayPicture'
import { snapToOutline } from './snap'

const [width, height] = [4000, 3000]
const rgba = new Uint8ClampedArray(width * height * 4).map((_, i) => (((i >> 2) % width) / width > 0.5 ? 200 : 60))
const rough: Vec2[] = Array.from({ length: 40 }, (_, i) => [2000 + 6 * Math.sin(i), 100 + i * 70])

describe('a photograph of 12 megapixels', () => {
  bench('to brightness, and an edge of 2,800 pixels snapped', () => {
    snapToOutline(toGray(rgba, width, height), rough, 20)
  })
})
