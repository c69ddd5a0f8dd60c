import { folders, type EngineConfig } from '../config.ts'
import { stockClient } from './client.ts'
import type { StockLibrary } from './contract.ts'
import { withOwnFiles } from './own-files.ts'

/** All pictures there are: the stock library's and the person's own. */
export const pictureLibrary = (config: EngineConfig): StockLibrary => withOwnFiles(stockClient(config.stock), folders(config).own)
