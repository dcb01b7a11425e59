export { noticeSchema, toldBy, type Notice, type Told } from './notice.ts'
