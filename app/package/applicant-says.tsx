import { moment } from '../parts/format.ts'
import { usePackage } from './view.ts'

/** What the applicant says of something that they were asked about, told apart from what papers say. */
export function ApplicantSays({ item }: { item: string }) {
  const said = usePackage().statements.find((s) => s.item === item)
  return said ? (
    <span className="mt-1 block max-w-prose rounded border border-dashed border-amber bg-amber-soft px-2 py-0.5 text-[13px] font-normal">
      The applicant {said.kind === 'cannot' ? 'does not have it' : 'says'}: “{said.text}”{' '}
      <span className="text-ink-2">{moment(said.at)}</span>
    </span>
  ) : null
}
