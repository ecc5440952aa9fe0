import { closeData } from '../store/store'

export default defineNitroPlugin((nitro) => nitro.hooks.hook('close', closeData))
