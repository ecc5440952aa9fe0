import { expose } from 'comlink'
import { readEdgeFile } from '#core/exchange/edges/readEdgeFile'

/** Reads files from outside away from the screen: whatever they hold, the page goes on. */
const reader = { read: readEdgeFile }
export type EdgeFileReader = typeof reader

expose(reader)
