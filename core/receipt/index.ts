export { receiptOf, type Receipt, type SentFile, type SentLimit } from './receipt.ts'
