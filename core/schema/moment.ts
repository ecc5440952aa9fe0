import { z } from 'zod'
import { says } from './problem'

/** A moment as ISO 8601 in UTC, from the year 1 on: neither calendar nor database has a year 0. */
export const moment = z.iso.datetime().refine((text) => !text.startsWith('0000'), says('not-a-date'))
