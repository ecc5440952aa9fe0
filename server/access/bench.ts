import { dataFolder } from '../database/dataFolder'
import { Devices } from './devices'
import { Offers } from './offer'

/** Who may use this server: its devices and what is offered now. Made on first use, once the folder is taken. */
let made: { devices: Devices; offers: Offers } | null = null
export const useAccess = () => (made ??= { devices: new Devices(dataFolder()), offers: new Offers() })
