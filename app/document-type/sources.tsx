import type { Field, FieldKind, FieldSource } from '../../core/program/index.ts'

/** Where values of a kind may stand besides their labels, in the words of who sets a type up. */
const SOURCES: Partial<Record<FieldKind, readonly FieldSource[]>> = {
  name: ['letterhead', 'addressee', 'sentence', 'zone_name'],
  org: ['letterhead', 'sentence'],
  address: ['letterhead', 'addressee'],
  date: ['sentence', 'period_start', 'period_end', 'zone_birth', 'zone_expiry'],
  number: ['title_year'],
  id: ['zone_number', 'check_bank', 'check_account', 'check_number'],
  text: ['zone_nationality'],
}
const WORDS: Record<FieldSource, string> = {
  letterhead: 'the letterhead',
  addressee: 'the address block',
  sentence: 'a sentence, or a line of its own',
  title_year: 'the year in the heading',
  period_start: 'the first day of a period',
  period_end: 'the last day of a period',
  zone_name: 'name in the machine-readable zone',
  zone_number: 'number in the machine-readable zone',
  zone_birth: 'birth in the machine-readable zone',
  zone_expiry: 'expiry in the machine-readable zone',
  zone_nationality: 'nationality in the machine-readable zone',
  check_bank: 'bank code at the foot of a cheque',
  check_account: 'account at the foot of a cheque',
  check_number: 'number at the foot of a cheque',
}

/** Where else a value may stand than beside its wordings; nothing for kinds that stand nowhere else. */
export function Sources({ field, onChange }: { field: Field; onChange: (part: Partial<Field>) => void }) {
  const possible = SOURCES[field.kind] ?? []
  if (possible.length === 0) return null
  return (
    <fieldset>
      <legend className="font-semibold">Where else it may stand</legend>
      <ul className="mt-1 grid gap-0.5">
        {possible.map((source) => (
          <li key={source}>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-(--petrol)"
                checked={field.sources.includes(source)}
                onChange={(event) =>
                  onChange({
                    sources: event.target.checked
                      ? [...field.sources, source]
                      : field.sources.filter((s) => s !== source),
                  })
                }
              />
              {WORDS[source]}
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}
