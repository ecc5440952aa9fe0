import { closeDatabase } from '../store/store'

export default defineNitroPlugin((nitro) => nitro.hooks.hook('close', closeDatabase))
