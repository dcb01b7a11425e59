import type { TypeData } from './type-data.ts'

export const insuranceCover: TypeData = {
  id: 'insurance_cover',
  title: 'Insurance cover note',
  short: 'Insurance',
  pages: { min: 1, max: 3 },
  titles: ['cover note', 'marine cover note', 'insurance certificate', 'certificate of insurance', 'marine insurance', 'insurance cover note', 'confirmation of cover', 'insurance schedule', 'policy schedule', 'vessel insurance', 'confirmation of insurance', 'marine insurance certificate', 'hull insurance', 'evidence of insurance', 'marine policy schedule', 'certificate of marine insurance', 'marine hull policy: schedule', 'vessel insurance certificate', 'temporary cover note'],
  signs: [
    { words: 'policy number', weight: 1.5 }, { words: 'policy no', weight: 1.5 }, { words: 'sum insured', weight: 2.5 }, { words: 'premium', weight: 1.5 }, { words: 'insured', weight: 1.2 }, { words: 'underwriter', weight: 1.5 }, { words: 'underwriters', weight: 1.5 }, { words: 'perils', weight: 1 }, { words: 'excess', weight: 0.8 }, { words: 'insurer', weight: 1.2 }, { words: 'period of cover', weight: 1.5 }, { words: 'third party liability', weight: 1 }, { words: 'cover', weight: 0.8 },
  ],
  person: 'insured_name',
  fields: [
    { name: 'policy_number', title: 'Policy number', kind: 'id', labels: ['policy number', 'policy no', 'policy', 'cover note number', 'cover note no', 'certificate number', 'certificate no', 'policy ref', 'policy reference', 'contract number', 'cover number', 'cover ref', 'cover note / policy number', 'policy certificate number', 'your policy number'] },
    { name: 'insured_name', title: 'Insured', kind: 'name', labels: ['insured', 'our client', 'client insured', 'name of insured', 'the insured', 'assured', 'the assured', 'policyholder', 'policy holder', 'insured party', 'insured name', 'insured person', 'name of assured', 'insured owner', 'cover for', 'holder of the policy', 'name of the policyholder', 'insured by this note', 'in favour of', 'policyholder name'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', labels: ['vessel', 'in respect of', 'vessel name', 'name of vessel', 'insured vessel', 'vessel insured', 'boat', 'craft', 'name of craft', 'ship', 'boat name', 'insured craft', 'boat insured', 'name of boat', 'vessel concerned', 'vessel covered', 'covered vessel', 'ship insured', 'name of the vessel', 'the vessel known as', 'm.v.', 'mv'] },
    { name: 'cover_start', title: 'Cover from', kind: 'date', sources: ['period'], labels: ['cover from', 'from', 'period of cover', 'period of insurance', 'start of cover', 'cover start', 'inception', 'inception date', 'cover starts', 'commencement', 'effective from', 'start date', 'in force from', 'begins', 'cover begins', 'insured from', 'period', 'insurance period', 'duration of cover', 'dates of cover', 'period insured', 'valid from', 'cover begins on', 'insurance begins', 'commencing', 'commencement date', 'attaching', 'policy period', 'term of cover', 'insured period'] },
    { name: 'cover_end', title: 'Cover to', kind: 'date', sources: ['period'], labels: ['cover to', 'to', 'until', 'period of cover', 'period of insurance', 'end of cover', 'cover end', 'cover ends', 'expiry', 'expiry date', 'expires', 'valid until', 'end date', 'in force until', 'ends', 'insured until', 'period', 'insurance period', 'cover expires', 'duration of cover', 'dates of cover', 'period insured', 'valid to', 'in force to', 'cover ends on', 'insurance ends', 'expiring', 'terminating', 'to midnight on', 'renewal date', 'policy period', 'term of cover', 'insured period'] },
    { name: 'sum_insured', title: 'Sum insured', kind: 'money', labels: ['sum insured', 'insured value', 'agreed value', 'insured sum', 'amount insured', 'total sum insured', 'hull and machinery', 'value insured', 'hull value', 'insured amount', 'cover amount', 'insured for', 'cover limit', 'limit of cover', 'amount of cover', 'total insured value', 'agreed hull value', 'up to'] },
    { name: 'premium', title: 'Premium', kind: 'money', labels: ['premium', 'annual premium', 'total premium', 'premium due', 'premium payable', 'yearly premium', 'premium for the period', 'price of cover', 'premium per year', 'premium including tax', 'cost of cover', 'premium for the year', 'gross premium', 'premium incl. tax', 'annual cost'] },
  ],
  relations: [{ kind: 'not_after', first: 'cover_start', second: 'cover_end' }, { kind: 'at_most', less: 'premium', more: 'sum_insured' }],
}
