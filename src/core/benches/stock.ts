import type { StockDefinition, StockKind } from '../document/stock'
import { STOCK_OF } from './lists/stock'

/** The parts that benches choose among. */
export const STOCK = Object.assign({}, ...Object.values(STOCK_OF)) as Readonly<Record<StockKind, StockDefinition>>
