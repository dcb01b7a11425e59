import { PDFDocument } from 'pdf-lib'
import type { DemoDesk } from '../../desk.ts'
import { makePackage } from '../../package.ts'

/** What lies ready beside the scanner: papers of one applicant, by the type that each is. */
const READY = ['identity_card', 'payslip', 'utility_bill', 'purchase_quote', 'bank_statement']

/** The scanner at Merrow Sound's counter. */
export const device: DemoDesk['device'] = {
  name: 'Counter scanner, Quay Street',
  buttons: [
    {
      id: 'application',
      title: 'Papers for a boat loan',
      program: 'working-boat-loan',
      type: null,
      limits: [],
      identityCheck: true,
    },
    {
      id: 'identity',
      title: 'Identity card',
      program: 'working-boat-loan',
      type: 'identity_card',
      limits: [],
      identityCheck: true,
    },
    {
      id: 'bill',
      title: 'Proof of address',
      program: 'working-boat-loan',
      type: 'utility_bill',
      limits: [
        {
          title: 'A bill taken as proof of address',
          field: 'utility_bill.amount_due',
          most: { amount: '700.00', currency: 'EUR' },
        },
      ],
      identityCheck: false,
    },
    {
      id: 'account',
      title: 'Papers for a business account',
      program: 'trader-account',
      type: null,
      limits: [],
      identityCheck: true,
    },
  ],
  async papers(asOf) {
    const { bytes, truth } = await makePackage({ papers: 'tuning', seed: 704_001, asOf })
    const whole = await PDFDocument.load(bytes)
    const drawn: { name: string; bytes: Uint8Array }[] = []
    for (const type of READY) {
      const paper = truth.documents.find((d) => d.type === type)
      if (!paper) continue
      const one = await PDFDocument.create()
      const pages = await one.copyPages(
        whole,
        paper.pages.map((page) => page - 1),
      )
      for (const page of pages) one.addPage(page)
      drawn.push({ name: type.replaceAll('_', ' '), bytes: await one.save() })
    }
    return drawn
  },
}
