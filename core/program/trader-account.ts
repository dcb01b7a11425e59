import { programSchema, type Program } from './schema.ts'

/** Accounts for harbour traders at Merrow Sound Mutual. */
export const traderAccount: Program = programSchema.parse({
  id: 'trader-account',
  title: 'Trader account',
  persons: { applicant: 'account_application.contact_name' },
  requirements: [
    { id: 'account_form', title: 'Account form', ways: [{ needs: [{ type: 'account_application', signed: true }] }] },
    { id: 'incorporation', title: 'Certificate of incorporation', ways: [{ needs: [{ type: 'incorporation_certificate' }] }] },
    { id: 'owners', title: "Owners' declaration", ways: [{ needs: [{ type: 'owners_declaration', signed: true }] }] },
    { id: 'owner_ids', title: 'Identity of owners', ways: [{ needs: [{ type: 'identity_card', until: 'expiry_date', listed: { table: 'owners_declaration.owners', name: 'name', column: 'share', atLeast: 25, field: 'full_name' } }] }] },
    { id: 'business_address_proof', title: 'Proof of business address', ways: [{ needs: [{ type: 'utility_bill', fresh: { field: 'issue_date', days: 90 } }] }] },
    { id: 'tax_status', title: 'Tax status', ways: [{ needs: [{ type: 'tax_self_certification', signed: true }] }] },
    { id: 'mandate_to_act', title: 'Mandate to act', when: { field: 'owners_declaration.owners', rowsOver: 1 }, ways: [{ needs: [{ type: 'board_resolution', signed: true }] }] },
  ],
  facts: [
    { id: 'business_name', title: 'Business', question: 'What is the business called?', kind: 'org', fields: ['account_application.business_name', 'incorporation_certificate.business_name', 'owners_declaration.business_name', 'board_resolution.business_name'] },
    { id: 'company_number', title: 'Company number', question: 'Which company number is right?', kind: 'id', fields: ['account_application.company_number', 'incorporation_certificate.company_number', 'owners_declaration.company_number'] },
    { id: 'registered_address', title: 'Registered address', question: 'Where is the business?', kind: 'address', fields: ['account_application.registered_address', 'utility_bill.service_address'] },
  ],
  checks: [
    { kind: 'column_total', id: 'shares_total', title: 'Shares make up the whole', table: 'owners_declaration.owners', column: 'share', is: 100 },
  ],
})
