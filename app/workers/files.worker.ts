import { expose } from 'comlink'
import { readEdgeFile } from '#core/exchange/edges/readEdgeFile'
import { readJobFile, readToolFile } from '#core/exchange/files/jsonFile'
import { readStoneCsv } from '#core/exchange/files/stoneCsv'

/** Reads files from outside away from the screen: whatever they hold, the page goes on. */
const readers = { readEdgeFile, readJobFile, readToolFile, readStoneCsv }
export type FileReaders = typeof readers

expose(readers)
