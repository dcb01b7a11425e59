/** What a package is called, for names of files. */
export interface About {
  caseNumber: string
  reference: string
  applicant: string
  program: string
}
