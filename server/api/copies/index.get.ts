import type { CopiesState } from '../../../core/exchange/api/copies'
import { useData } from '../../store/store'

/** The second folder for copies, and how it goes with it. */
export default defineEventHandler(async (): Promise<CopiesState> => (await useData()).copies.state())
