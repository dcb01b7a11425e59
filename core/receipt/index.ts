export { receiptOf, type IdentityResult, type Receipt, type SentLimit } from './receipt.ts'
