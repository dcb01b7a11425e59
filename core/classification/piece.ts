/** A stretch of pages taken for one document. */
export interface Piece {
  /** Page numbers of the package. */
  pages: number[]
  type: string
  /** Probability that type and both ends are right. */
  confidence: number
  /** Types by probability for these very pages, the likeliest first. */
  types: { type: string; confidence: number }[]
  /** Probability that a document begins at its first page. */
  cutBefore: number
  /** Pages inside it at which another document may begin. */
  doubts?: Doubt[]
  /** A rule by people that the pages themselves contradict, on its type or its first page. */
  contested?: string
}

/** A page inside a document at which another may begin. */
export interface Doubt {
  page: number
  /** Probability that one begins there. */
  chance: number
  /** Why it is asked where the pages themselves leave no doubt: what a rule says. */
  rule?: string
}
