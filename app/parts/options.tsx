import { pageWords } from '../../wording/applicant/index.ts'

/** What may be chosen of a list of things with titles, for a `select`. */
export const Options = ({ of }: { of: readonly { id: string; title: string }[] }) =>
  of.map(({ id, title }) => (
    <option key={id} value={id}>
      {title}
    </option>
  ))

/** The same of values of a type, which are told by their names. */
export const FieldOptions = ({ of }: { of: readonly { name: string; title: string }[] }) => (
  <Options of={of.map(({ name, title }) => ({ id: name, title }))} />
)

/** Languages that applicants are written to in, each by its own name. */
export const LanguageOptions = () =>
  Object.entries(pageWords).map(([id, { name }]) => (
    <option key={id} value={id} lang={id}>
      {name}
    </option>
  ))
