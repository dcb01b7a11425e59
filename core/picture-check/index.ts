/** What other folders may use of this one; README.md says how it hangs together. */
export { pictureFault, type GreyPicture, type PictureFault } from './picture-fault.ts'
