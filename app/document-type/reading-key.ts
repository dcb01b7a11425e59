/** By what a reading is known to be of the sample and the pages that are looked at now. */
export const readingKey = (packageId: string, pages: readonly number[]): string =>
  `${packageId} ${pages.join()}`
