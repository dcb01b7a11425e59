import type { Dice } from '../../dice.ts'
import type { Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import { zoneLines } from '../zone.ts'
import type { StatementWishes } from '../tuning/bank-statement.ts'
import type { ConsentWishes } from '../tuning/credit-consent.ts'
import type { CardWishes } from '../tuning/identity-card.ts'
import type { CoverWishes } from '../tuning/insurance-cover.ts'
import type { ApplicationWishes } from '../tuning/loan-application.ts'
import type { PayslipWishes } from '../tuning/payslip.ts'
import type { QuoteWishes } from '../tuning/purchase-quote.ts'
import type { BillWishes } from '../tuning/utility-bill.ts'
import type { RegistrationWishes } from '../tuning/vessel-registration.ts'
import * as facts from '../facts.ts'
import { esc, print, scrawl } from './print.ts'

const page = (...parts: string[]): string => `<div class="page">${parts.join('')}</div>`
const cells = (row: readonly string[], tag = 'td'): string =>
  `<tr>${row.map((text) => `<${tag}>${text}</${tag}>`).join('')}</tr>`
const pairs = (rows: readonly (readonly [string, string])[]): string =>
  `<table class="pairs">${rows.map(([label, value]) => cells([label, esc(value)])).join('')}</table>`
const fields = (items: readonly (readonly [label: string, value: string, wide?: boolean])[]): string =>
  `<div class="grid">${items
    .map(
      ([label, value, wide]) =>
        `<div class="f${wide ? ' w' : ''}"><small>${label}</small><div>${esc(value) || '&nbsp;'}` +
        '</div></div>',
    )
    .join('')}` + '</div>'

export async function drawPayslip(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: PayslipWishes,
): Promise<Drawn> {
  const f = facts.payslipFacts(story, wishes)
  const { month } = f
  const before = month.yearToDate - month.gross
  const tax = (part: number) => Math.round(part * 0.16)
  if (layout === 0) {
    const { d, m } = facts.forms('slashes', 'plain')
    return print(
      'payslip',
      f,
      'body{font-family:Carlito;font-size:9.5pt}h1{font-size:13pt;margin:0}.bar{background:#e7edf2;' +
        'padding:3mm;display:flex;justify-content:space-between}.cols{display:flex;gap:4mm;' +
        'margin-top:4mm}.cols>div{flex:1;border:.3mm solid #9ab}.cols th{text-align:left;' +
        'background:#d3dee6;padding:1mm 2mm}.cols td{padding:1mm 2mm}' +
        '.cols td:last-child{text-align:right}.net{margin-top:4mm;text-align:right;font-size:13pt;' +
        'border:.5mm solid #345;padding:2mm 3mm}',
      page(
        `<div class="bar"><h1>${esc(f.employer)}</h1><div>Pay advice for the month</div></div>`,
        '<table style="margin-top:4mm"><tr><th align=left>Employee no.</th>' +
          '<th align=left>Employee name</th><th align=left>Process date</th><th align=left>Nat. ' +
          `number</th></tr><tr><td>${dice.digits(4)}</td><td>${esc(f.name)}</td><td>${d(month.paid)}` +
          `</td><td>${f.person.nationalNumber}</td></tr></table>`,
        `<p>Period ${d(month.start)} to ${d(month.end)} &nbsp; Payment method: BACS &nbsp; Tax code 1157L</p>`,
        '<div class="cols"><div><table><tr><th>Payments</th><th>Amount</th></tr>' +
          `${cells(['Basic salary', m(month.gross - 12000)])}${cells(['Sea allowance', m(12000)])}` +
          `${cells(['<b>Total gross pay</b>', `<b>${m(month.gross)}</b>`])}</table></div>`,
        `<div><table><tr><th>Deductions</th><th>Amount</th></tr>${cells(['PAYE tax', m(month.tax)])}` +
          `${cells(['National insurance', m(month.insurance)])}` +
          `${cells(['<b>Total deductions</b>', `<b>${m(month.tax + month.insurance)}</b>`])}` +
          '</table></div>',
        '<div><table><tr><th>Year to date</th><th></th></tr>' +
          `${cells(['Total gross pay TD', m(month.yearToDate)])}` +
          `${cells(['Tax paid TD', m(tax(before) + month.tax)])}` +
          `${cells(['Earnings for NI TD', m(month.yearToDate - 30000)])}</table></div></div>`,
        `<div class="net">Net pay <b>${m(month.net)}</b></div><div class="foot">${esc(addressLine(story.employerAddress))}</div>`,
      ),
    )
  }
  const { d, m } = facts.forms('medium', 'sign')
  return print(
    'payslip',
    f,
    'body{font-family:Roboto;font-size:9pt;color:#303030}h2{font-weight:400;letter-spacing:2px;' +
      'border-bottom:.6mm solid #c75b12;padding-bottom:2mm}.t th{border-bottom:.2mm solid #888;' +
      'text-align:right;padding:1.2mm}.t td{text-align:right;padding:1.2mm}' +
      '.t td:first-child,.t th:first-child{text-align:left}.t .s td{border-top:.3mm solid #000;' +
      'font-weight:700}',
    page(
      '<h2>EARNINGS STATEMENT</h2><div style="display:flex;justify-content:space-between"><div><b>' +
        `${esc(f.employer)}</b><br>${esc(addressLine(story.employerAddress))}` +
        `</div><div class="r">Pay day: <b>${d(month.paid)}</b><br>From ${d(month.start)}<br>To ` +
        `${d(month.end)}</div></div>`,
      `<p style="margin:8mm 0 6mm">${esc(f.name)}<br><span style="color:#666">ID number ${f.person.nationalNumber}</span></p>`,
      '<table class="t"><tr><th>Description</th><th>Hours</th><th>This period</th>' +
        `<th>Year to date</th></tr>${cells(['Salary', '160', m(month.gross), m(month.yearToDate)])}` +
        `<tr class="s"><td>Gross</td><td></td><td>${m(month.gross)}</td><td>${m(month.yearToDate)}` +
        `</td></tr>${cells(['Income tax', '', m(month.tax), m(tax(before) + month.tax)])}` +
        `${cells(['Social security', '', m(month.insurance), m(Math.round(before * 0.074) + month.insurance)])}` +
        `<tr class="s"><td>Net</td><td></td><td>${m(month.net)}</td><td>` +
        `${m(before - tax(before) - Math.round(before * 0.074) + month.net)}</td></tr></table>`,
      `<p style="color:#555;margin-top:10mm">Credited to your account. Questions: payroll office.</p>`,
    ),
  )
}

export async function drawBill(story: Story, layout: number, dice: Dice, wishes: BillWishes): Promise<Drawn> {
  const f = facts.billFacts(story, dice, wishes)
  const { d, m } = layout === 0 ? facts.forms('long', 'sign') : facts.forms('slashes', 'behind')
  if (layout === 0)
    return print(
      'utility_bill',
      f,
      'body{font-family:Lato;font-size:9.5pt}.top{background:#0c4a5a;color:#fff;' +
        'margin:-16mm -16mm 8mm;padding:8mm 16mm;display:flex;justify-content:space-between;' +
        'font-size:16pt}.key{float:right;width:62mm;background:#eef4f4;padding:4mm;margin-left:6mm}' +
        '.key b{font-size:17pt;display:block}dt{color:#567;margin-top:2mm}dd{margin:0}',
      page(
        `<div class="top"><span>${esc(story.utility)}` +
          `</span><span style="font-size:9pt">Customer service 0800 ${dice.digits(3)} ${dice.digits(3)}` +
          '</span></div>',
        `<div class="key">What you owe<b>${m(f.due)}` +
          '</b>We will take this by Direct Debit on or after ' +
          `${d(f.issued > '2026-03-20' ? '2026-04-28' : '2026-04-06')}` +
          `<dl><dt>Your account number</dt><dd>${f.account}</dd><dt>Statement date</dt><dd>` +
          `${d(f.issued)}</dd></dl></div>`,
        `<p style="line-height:1.5">${esc(f.holder)}<br>${esc(f.street)}<br>${esc(f.place)}` +
          '</p><h3 style="margin-top:20mm">Hello, here is your latest bill</h3>' +
          '<p>It covers the energy used at your home between the two readings below.</p>',
        '<table style="clear:both;margin-top:14mm" cellpadding=4><tr>' +
          '<th align=left>How we worked it out</th><th></th></tr><tr><td>Electricity used: ' +
          `389 kWh at 14.2p</td><td class=r>${m(f.due - 1850)}` +
          `</td></tr><tr><td>Standing charge 61 days</td><td class=r>${m(1350)}` +
          `</td></tr><tr><td>VAT at 5%</td><td class=r>${m(500)}` +
          `</td></tr><tr><td><b>Total charges this period</b></td><td class=r><b>${m(f.due)}` +
          '</b></td></tr></table>',
        `<div class="foot">${esc(story.utility)} is registered in the Skerrow Isles, company 30${dice.digits(4)}. ` +
          'Registered office: 2 Turbine Road, Merrow SK1 3TP.</div>',
      ),
    )
  return print(
    'utility_bill',
    f,
    'body{font-family:Caladea;font-size:10pt}.h{border-bottom:1mm solid #7a8c2e;display:flex;' +
      'justify-content:space-between;align-items:end;padding-bottom:3mm}.pairs{width:86mm;' +
      'font-size:9pt}.pairs td{padding:1mm 0}.pairs td:last-child{text-align:right}' +
      '.tot{background:#f0f2e2;padding:3mm;display:flex;justify-content:space-between;' +
      'font-size:12pt;margin-top:6mm}',
    page(
      `<div class="h"><b style="font-size:17pt">${esc(story.utility)}` +
        '</b><span>FACTURE D’EAU</span></div><p style="margin-left:95mm;margin-top:14mm;' +
        `line-height:1.45">${esc(f.holder)}<br>${esc(f.street)}<br>${esc(f.place)}</p>`,
      pairs([
        ['Référence client', f.account],
        ['Facture du', d(f.issued)],
        ['N° de facture', `F${dice.digits(7)}`],
        ['Prochain relevé', 'septembre 2026'],
      ]),
      '<h4>Votre consommation : 31 m³</h4><table cellpadding=3><tr><td>Distribution de l’eau</td>' +
        `<td class=r>${m(f.due - 4000 > 0 ? f.due - 2500 : f.due - 2500)}` +
        `</td></tr><tr><td>Collecte et traitement des eaux usées</td><td class=r>${m(1900)}` +
        `</td></tr><tr><td>TVA 5,5 %</td><td class=r>${m(600)}</td></tr></table>`,
      `<div class="tot"><span>Montant TTC à régler avant le ${d('2026-05-15')}</span><b>${m(f.due)}` +
        `</b></div><p style="font-size:8pt">Lieu desservi : ${esc(f.street)}, ${esc(f.place)}</p>`,
    ),
  )
}

export async function drawCover(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: CoverWishes,
): Promise<Drawn> {
  const f = facts.coverFacts(story, dice, wishes)
  const { d, m } = layout === 0 ? facts.forms('long', 'sign') : facts.forms('slashes', 'eur')
  if (layout === 0)
    return print(
      'insurance_cover',
      f,
      'body{font-family:Caladea;font-size:10.5pt}h1{font-size:15pt;font-variant:small-caps;' +
        'text-align:center;color:#1c3557}.s{border:.3mm solid #1c3557;margin-top:5mm}' +
        '.s td{border:.2mm solid #b9c4d3;padding:2mm 3mm;vertical-align:top}' +
        '.s td:first-child{width:45mm;background:#f1f4f8}',
      page(
        `<p class="r" style="font-size:13pt;color:#1c3557"><b>${esc(story.insurer)}` +
          '</b><br><span style="font-size:8pt">Marine &amp; ' +
          'Fishing Department</span></p><h1>Yacht and Workboat Insurance<br>Schedule</h1>',
        `<table class="s">${cells(['Policy No.', f.policy])}` +
          `${cells(['Name of Insured', esc(f.insured)])}` +
          `${cells(['Address of Insured', esc(addressLine(story.home))])}` +
          `${cells(['Period of Insurance', `From 00:01 hours on ${d(f.start)}<br>to midnight on ${d(f.end)}`])}` +
          `${cells(['Name of Vessel', esc(f.vessel)])}` +
          `${cells(['Type and use', 'Open workboat, commercial fishing within 20 miles'])}` +
          `${cells(['Sum Insured', `Hull, machinery and gear ${m(f.sum)}`])}` +
          `${cells(['Third party limit', m(300000000)])}` +
          `${cells(['Excess', `${m(50000)} each and every claim`])}` +
          `${cells(['Premium', `${m(f.premium)} including insurance tax`])}</table>`,
        `<p style="margin-top:12mm">Signed on behalf of the Insurers</p>${scrawl(dice.int)}<p style="font-size:9pt">Authorised signatory</p>`,
      ),
    )
  return print(
    'insurance_cover',
    f,
    'body{font-family:"DejaVu Sans";font-size:8.8pt}.grid{display:grid;' +
      'grid-template-columns:1fr 1fr;gap:4mm 8mm;margin:6mm 0}.f{border-bottom:.2mm dotted #555;' +
      'padding-bottom:1mm}.w{grid-column:1/3}small{color:#8a1f3d;display:block;font-size:7pt;' +
      'margin-bottom:.8mm}',
    page(
      '<div style="border-left:3mm solid #8a1f3d;padding-left:4mm"><b style="font-size:14pt">' +
        `${esc(story.insurer)}</b><br>TEMPORARY COVER NOTE: MARINE HULL</div>` +
        `<p>This is to record that cover has been placed on the terms of the company's standard hull ` +
        'clauses.</p>',
      fields([
        ['Cover note / policy number', f.policy],
        ['Issued through', 'Direct'],
        ['Assured', f.insured, true],
        ['Vessel insured', f.vessel],
        ['Trading limits', 'Coastal, 12 miles'],
        ['Commencing', d(f.start)],
        ['Expiring', d(f.end)],
        ['Amount of cover', m(f.sum)],
        ['Premium payable', m(f.premium)],
      ]),
      `<p>Subject to survey where the vessel is over fifteen years old. ` +
        `Claims within 48 hours to the claims desk.</p>` +
        `<div class="foot">Keep this note with the ship's papers.</div>`,
    ),
  )
}

export async function drawRegistration(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: RegistrationWishes,
): Promise<Drawn> {
  const f = facts.registrationFacts(story, dice, wishes)
  const { d } = layout === 0 ? facts.forms('long', 'eur') : facts.forms('short', 'eur')
  if (layout === 0)
    return print(
      'vessel_registration',
      f,
      'body{font-family:Caladea;font-size:11pt}.page{border:1.2mm double #345b46}' +
        'h1{text-align:center;font-size:19pt;margin:4mm 0 1mm}.n{text-align:center;margin-bottom:8mm}' +
        '.two{display:grid;grid-template-columns:1fr 1fr;gap:5mm}.two i{font-size:9pt;color:#345b46;' +
        'display:block}',
      page(
        `<p style="text-align:center;letter-spacing:1px">SKERROW ISLES · MARITIME AUTHORITY</p>` +
          `<h1>Certificate of Registry</h1><p class="n">Part II: fishing and commercial craft</p>`,
        `<div class="two"><div><i>Official number</i>${story.registration}` +
          `</div><div><i>Name of ship</i>${esc(f.vessel)}` +
          '</div><div><i>Port of choice</i>Port Ellery</div><div>' +
          `<i>Hull identification number (HIN)</i>${f.hull}` +
          '</div><div><i>Length overall</i>9.90 metres</div><div><i>Year of build</i>2011</div></div>',
        `<p style="margin-top:10mm"><i>Name, residence and shares of the owner</i><br>${esc(f.owner)}, 64 shares</p>` +
          '<p style="margin-top:10mm;line-height:1.6">This certificate was issued on ' +
          `${d(f.issued)} and expires on ${d(f.expiry)}, unless the registration is ended before.</p>`,
        `<div style="position:absolute;right:24mm;bottom:30mm;text-align:center">${scrawl(dice.int)}<br>Registrar General of Shipping</div>`,
      ),
    )
  return print(
    'vessel_registration',
    f,
    'body{font-family:Roboto;font-size:9.5pt}.k{display:flex;margin:0;' +
      'border-bottom:.2mm solid #ccd}.k span{width:70mm;padding:2mm 0;color:#555}' +
      '.k b{padding:2mm 0;font-weight:500}h3{background:#203a5c;color:#fff;padding:2.5mm 4mm;' +
      'font-weight:400}',
    page(
      `<h3>REGISTRATION OF SMALL CRAFT</h3><p style="font-size:8.5pt">Skerrow Isles Harbour Office · this document must be carried on board</p>`,
      [
        ['1. Registration mark', story.registration],
        ['2. Craft', f.vessel],
        ['3. Builder’s hull no.', f.hull],
        ['4. Keeper / owner', f.owner],
        ['5. Material', 'GRP'],
        ['6. Date first issued', d(f.issued)],
        ['7. Not valid after', d(f.expiry)],
      ]
        .map(([k, v]) => `<p class="k"><span>${k}</span><b>${esc(v)}</b></p>`)
        .join(''),
      `<p style="margin-top:14mm;font-size:8pt;color:#666">Any change of owner is to be notified within 14 days.</p>`,
    ),
  )
}

const ink = (signed: boolean, dice: Dice): string =>
  signed ? scrawl(dice.int) : '<div style="height:44px"></div>'

export async function drawConsent(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ConsentWishes,
): Promise<Drawn> {
  const f = facts.consentFacts(story, wishes)
  const { d } = layout === 0 ? facts.forms('slashes', 'eur') : facts.forms('long', 'eur')
  const name = fullName(f.person)
  if (layout === 0)
    return print(
      'credit_consent',
      f,
      'body{font-family:Lato;font-size:10pt;line-height:1.5}.line{border-bottom:.3mm solid #333;' +
        'display:inline-block;min-width:70mm;padding:0 2mm}.sg{display:flex;gap:10mm;margin-top:14mm}' +
        '.sg>div{flex:1}.sg .l{border-bottom:.3mm solid #333;height:16mm;display:flex;' +
        'align-items:end}',
      page(
        '<b>MERROW SOUND MUTUAL</b><h2>Credit reference consent</h2>' +
          `<p>In connection with my application I, <span class="line">${esc(name)}` +
          `</span>, holder of national number <span class="line">${f.person.nationalNumber}` +
          '</span>, agree that the society may search the files of credit reference agencies and keep ' +
          'a record of the search.</p><ol><li>The search leaves a footprint.</li>' +
          '<li>I may withdraw this consent in writing at any time.</li>' +
          '<li>My data are kept for six years.</li></ol>',
        `<div class="sg"><div><div class="l">${ink(f.signed, dice)}` +
          `</div>Signature</div><div><div class="l">${f.signed ? d(f.on) : ''}</div>Date</div></div>`,
      ),
    )
  return print(
    'credit_consent',
    f,
    'body{font-family:"DejaVu Sans";font-size:9pt}.b{border:.4mm solid #444;margin-top:5mm}' +
      '.b td{border:.2mm solid #444;padding:1.5mm 2mm;height:13mm;vertical-align:top}' +
      '.b small{display:block;color:#444;font-size:6.5pt}',
    page(
      `<table><tr><td><b style="font-size:13pt">Authority to search</b></td>` +
        `<td class=r>Merrow Sound Mutual<br>Form CR/2</td></tr></table>` +
        `<p>By signing below you allow us to ask licensed credit bureaus for information on how you ` +
        `have kept to your agreements. We cannot decide on a loan without it.</p>`,
      '<table class="b"><tr><td colspan=2><small>' +
        `Surname and first names of the person giving authority</small>${esc(name)}` +
        `</td></tr><tr><td><small>National identity number</small>${f.person.nationalNumber}` +
        '</td><td><small>Branch</small>Port Ellery</td></tr><tr><td><small>Signed</small>' +
        `${ink(f.signed, dice)}</td><td><small>Date of signing</small>${f.signed ? d(f.on) : ''}` +
        '</td></tr></table>',
    ),
  )
}

export async function drawQuote(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: QuoteWishes,
): Promise<Drawn> {
  const f = facts.quoteFacts(story, dice, wishes)
  const { d, m } = layout === 0 ? facts.forms('medium', 'plain') : facts.forms('slashes', 'behind')
  if (layout === 0)
    return print(
      'purchase_quote',
      f,
      'body{font-family:Lato;font-size:9pt}.l th{background:#264653;color:#fff;padding:2mm;' +
        'text-align:right}.l td{padding:2mm;text-align:right;border-bottom:.2mm solid #ddd}' +
        '.l .a{text-align:left}.sum{width:75mm;margin-left:auto;margin-top:3mm}' +
        '.sum td{padding:1.3mm 2mm}.sum tr:last-child{font-weight:700;background:#e9f0f0}',
      page(
        `<table><tr><td><b style="font-size:18pt;color:#264653">${esc(story.yard)}</b><br>` +
          `${esc(addressLine(story.yardAddress))}</td><td class=r style="vertical-align:top">` +
          '<span style="font-size:20pt;color:#999">QUOTE</span></td></tr></table>',
        '<table style="margin:8mm 0"><tr><td style="vertical-align:top;width:50%">' +
          `<span style="color:#888">Bill to</span><br><b>${esc(f.buyer)}</b><br>` +
          `${esc(addressLine(story.home))}</td><td><table><tr><td class=r>Quote #</td><td class=r>` +
          `${f.number}</td></tr><tr><td class=r>Date</td><td class=r>${d(f.issued)}` +
          `</td></tr><tr><td class=r>Expiry date</td><td class=r>${d(f.valid)}` +
          '</td></tr></table></td></tr></table>',
        `<p>Re: vessel “${esc(f.vessel)}”, hull no. ${f.hull}` +
          '</p><table class="l"><tr><th class=a>#</th><th class=a>Item &amp; ' +
          'description</th><th>Qty</th><th>Rate (EUR)</th><th>Amount (EUR)</th></tr>' +
          `${f.lines
            .map(
              (l, i) =>
                `<tr><td class=a>${i + 1}</td><td class=a>${esc(l.text)}</td><td>${l.quantity}.00</td><td>` +
                `${m(l.unit)}</td><td>${m(l.amount)}</td></tr>`,
            )
            .join('')}` +
          '</table>',
        `<table class="sum">${cells(['Sub total', `<div class=r>${m(f.net)}</div>`])}` +
          `${cells(['VAT (20%)', `<div class=r>${m(f.vat)}</div>`])}` +
          `${cells(['Total', `<div class=r>€${m(f.total)}</div>`])}` +
          '</table><p style="margin-top:14mm;color:#777">Looking forward to building for you. ' +
          'Prices include launching at the yard.</p>',
      ),
    )
  return print(
    'purchase_quote',
    f,
    'body{font-family:Carlito;font-size:10pt}.l td,.l th{border:.2mm solid #444;padding:1.4mm 2mm}.l td:nth-child(n+2){text-align:right}',
    page(
      '<div style="display:flex;justify-content:space-between"><div><b style="font-size:14pt">' +
        `${esc(story.yard)}</b><br>Chantier naval · ${esc(addressLine(story.yardAddress))}` +
        `</div><div style="border:.3mm solid #000;padding:3mm"><b>DEVIS</b> n° ${f.number}` +
        `<br>En date du ${d(f.issued)}</div></div>`,
      `<p style="margin-top:10mm">À l’attention de : ${esc(f.buyer)}` +
        `<br>Objet : construction et équipement du navire ${esc(f.vessel)} (n° de coque ${f.hull})</p>`,
      '<table class="l"><tr><th>Désignation</th><th>Qté</th><th>Prix unitaire HT</th>' +
        `<th>Montant HT</th></tr>${f.lines.map((l) => cells([esc(l.text), String(l.quantity), m(l.unit), m(l.amount)])).join('')}` +
        `<tr><td colspan=3>Total HT</td><td>${m(f.net)}</td></tr><tr><td colspan=3>TVA 20 %</td><td>` +
        `${m(f.vat)}</td></tr><tr><td colspan=3><b>Total TTC</b></td><td><b>${m(f.total)}` +
        '</b></td></tr></table>',
      `<p>Ce devis est valable jusqu’au ${d(f.valid)}. Acompte de 20 % à la commande.</p><p style="margin-top:10mm">` +
        'Bon pour accord (date et signature) :</p>',
    ),
  )
}

export async function drawStatement(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: StatementWishes,
): Promise<Drawn> {
  const f = facts.statementFacts(story, wishes)
  const { statement } = f
  const { d, m } = layout === 0 ? facts.forms('medium', 'plain') : facts.forms('slashes', 'sign')
  const per = layout === 0 ? 20 : 24
  const sheets = Array.from({ length: Math.ceil(statement.rows.length / per) }, (_, i) =>
    statement.rows.slice(i * per, (i + 1) * per),
  )
  const iban = f.iban.replace(/(.{4})(?=.)/g, '$1 ')
  const paidIn = statement.rows.reduce((s, r) => s + Math.max(0, r.amount), 0)
  const paidOut = statement.rows.reduce((s, r) => s - Math.min(0, r.amount), 0)
  const drawn = sheets.map((rows, i) => {
    const last = i === sheets.length - 1
    const before = i === 0 ? statement.opening : sheets[i - 1].at(-1)!.balance
    return layout === 0
      ? page(
          '<div style="display:flex;justify-content:space-between;color:#4b2e83">' +
            `<b style="font-size:15pt">${esc(story.bank)}</b><span>Current Account Statement</span></div>`,
          i === 0
            ? '<div style="display:flex;justify-content:space-between;margin-top:10mm">' +
                `<div style="line-height:1.4">${esc(f.holder)}<br>${esc(f.street)}<br>${esc(f.place)}` +
                `</div><table style="width:76mm" cellpadding=2>${cells(['IBAN', iban])}` +
                `${cells(['BIC', 'SKRWIE2X'])}${cells(['From', d(statement.start)])}` +
                `${cells(['To', d(statement.end)])}` +
                '</table></div><table class="sm"><tr><th>Balance at start</th><th>Total money in</th>' +
                '<th>Total money out</th><th>Balance at end</th></tr>' +
                `${cells([m(statement.opening), m(paidIn), m(paidOut), m(statement.closing)])}</table>`
            : '',
          '<table class="l"><tr><th>Date</th><th>Description</th><th>Money out</th><th>Money in</th>' +
            '<th>Balance</th></tr><tr><td></td><td><i>' +
            `${i === 0 ? 'Balance brought forward' : 'Balance from previous page'}` +
            `</i></td><td></td><td></td><td>${m(before)}</td></tr>` +
            `${rows.map((r) => cells([d(r.date), esc(r.text), r.amount < 0 ? m(-r.amount) : '', r.amount > 0 ? m(r.amount) : '', m(r.balance)])).join('')}` +
            `${last ? `<tr><td></td><td><i>Balance carried forward</i></td><td></td><td></td><td>${m(statement.closing)}</td></tr>` : ''}` +
            '</table>',
          `<div class="foot">Sheet ${i + 1} of ${sheets.length} &nbsp; Amounts in EUR. ` +
            `${esc(story.bank)} is regulated by the Isles Financial Office.</div>`,
        )
      : page(
          `<h2>${esc(story.bank)}</h2>`,
          i === 0
            ? `<p>Statement period: ${d(statement.start)} – ${d(statement.end)}</p>${pairs([
                ['Account name', f.holder],
                ['Address', `${f.street}, ${f.place}`],
                ['Account (IBAN)', f.iban],
                ['Opening balance', m(statement.opening)],
                ['Closing balance', m(statement.closing)],
              ])}`
            : `<p>Account (IBAN) ${f.iban} · continued</p>`,
          '<table class="l z"><tr><th>Date</th><th>Details</th><th>Debit</th><th>Credit</th>' +
            '<th>Balance</th></tr>' +
            rows
              .map((r) =>
                cells([
                  d(r.date),
                  esc(r.text),
                  r.amount < 0 ? m(-r.amount) : '–',
                  r.amount > 0 ? m(r.amount) : '–',
                  m(r.balance),
                ]),
              )
              .join('') +
            '</table>',
          `<div class="foot">Page ${i + 1}/${sheets.length}</div>`,
        )
  })
  const lost = wishes.dropPage !== undefined && sheets.length > 1 && wishes.dropPage <= sheets.length
  if (lost) {
    f.truth.put(
      'transactions',
      f.rows(statement.rows.filter((_, i) => Math.floor(i / per) !== wishes.dropPage! - 1)),
    )
    drawn.splice(wishes.dropPage! - 1, 1)
  }
  return {
    ...(await print(
      'bank_statement',
      f,
      'body{font-family:Roboto;font-size:8.6pt}.sm{margin:8mm 0;border:.3mm solid #4b2e83}' +
        '.sm th,.sm td{padding:2mm;text-align:center}.l th{border-bottom:.4mm solid #333;' +
        'padding:1.6mm;text-align:right}.l td{padding:1.6mm;text-align:right}' +
        '.l td:nth-child(-n+2),.l th:nth-child(-n+2){text-align:left}' +
        '.z tr:nth-child(even) td{background:#f3f3ee}.pairs td{padding:.8mm 0}' +
        '.pairs td:first-child{width:45mm;color:#666}',
      drawn.join(''),
    )),
    dropped: lost,
  }
}

const boxes = (text: string): string =>
  [...text].map((c) => `<span class="c">${c === ' ' ? '&nbsp;' : c}</span>`).join('')
const tick = (on: boolean, text: string): string =>
  `<span style="white-space:nowrap;margin-right:6mm"><span class="k">${on ? '✕' : '&nbsp;'}</span> ${text}</span>`

export async function drawApplication(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ApplicationWishes,
): Promise<Drawn> {
  const f = facts.applicationFacts(story, wishes)
  const { a } = f
  const partner = story.coApplicant ? fullName(story.coApplicant) : ''
  const { d, m } = layout === 0 ? facts.forms('slashes', 'plain') : facts.forms('long', 'sign')
  const k =
    '.k{display:inline-block;width:4mm;height:4mm;border:.3mm solid #333;text-align:center;line-height:4mm;font-size:8pt;font-family:"DejaVu Sans"}'
  if (layout === 0)
    return print(
      'loan_application',
      f,
      'body{font-family:Lato;font-size:9pt}h3{background:#dfe7e3;padding:1.5mm 3mm;' +
        'margin:5mm 0 2mm;font-size:10pt}.grid{display:grid;grid-template-columns:1fr 1fr;gap:2mm}' +
        '.f{border:.2mm solid #7d8f86;padding:1mm 2mm;min-height:11mm}.w{grid-column:1/3}' +
        'small{display:block;color:#566;font-size:6.8pt}.c{display:inline-block;' +
        'border:.2mm solid #888;width:4.6mm;height:5.6mm;text-align:center;line-height:5.6mm;' +
        `margin-right:-.2mm}${k}`,
      page(
        '<table><tr><td><b style="font-size:15pt">Merrow Sound Mutual</b><br>Boat Finance</td>' +
          `<td class=r>Loan application form<br>Our reference ${story.caseNumber}<br>Received ` +
          `${d(story.applied)}</td></tr></table><h3>Section 1: About you</h3>`,
        fields([['Title, first name(s), surname', fullName(a), true]]),
        `<p>Date of birth (DD MM YYYY) &nbsp; ${boxes(d(a.born).replaceAll('/', ''))}</p>`,
        fields([
          ['National number', a.nationalNumber],
          ['Nationality', 'UTO'],
          ['Current address, including postcode', f.address, true],
          ['Daytime telephone', a.phone],
          ['Email', a.email],
        ]),
        `<h3>Section 2: Joint applicant</h3>`,
        fields([['Full name of joint applicant (leave blank if none)', partner, true]]),
        `<h3>Section 3: Work and income</h3><p>Are you: ${tick(!story.selfEmployed, 'Employed')}` +
          `${tick(story.selfEmployed, 'Self-employed')}${tick(false, 'Retired')}</p>`,
        fields([
          ['Employer’s name', f.employer],
          ['Time with employer', '4 years'],
          ['Net monthly pay (EUR)', m(f.income)],
          ['Other income (EUR)', '0.00'],
        ]),
        `<div class="foot">MSM-L1 · page 1 of 2</div>`,
      ) +
        page(
          `<h3>Section 4: Your boat</h3>`,
          fields([
            ['Name of vessel', f.vessel],
            ['Hull identification number', f.hull],
            ['Full purchase price (EUR)', m(story.total)],
            ['Your deposit (EUR)', m(story.deposit)],
          ]),
          `<h3>Section 5: The loan</h3>`,
          fields([
            ['How much do you want to borrow? (EUR)', m(f.loan)],
            ['Over how many months?', String(story.term)],
          ]),
          `<p>Do you have any other loan at present? ${tick(story.existingLoan, 'Yes')}` +
            `${tick(!story.existingLoan, 'No')}</p><p>Account for repayments (IBAN)<br>` +
            `${boxes(story.iban)}</p>`,
          '<h3>Section 6: Declaration</h3><p>I declare that what I have said is true to the best of my ' +
            'knowledge.</p><table style="margin-top:8mm"><tr><td style="width:60%">Signature of applicant' +
            '<div style="border:.2mm solid #7d8f86;height:18mm;width:85mm">' +
            `${ink(f.signed, dice)}</div></td><td>Date<div style="border:.2mm solid #7d8f86;height:18mm;width:50mm;` +
            `padding:6mm 3mm">${f.signed ? d(f.on) : ''}` +
            '</div></td></tr></table><div class="foot">MSM-L1 · page 2 of 2</div>',
        ),
      f.signed,
    )
  const row = (label: string, value: string) => `<tr><td>${label}</td><td>${esc(value)}</td></tr>`
  return print(
    'loan_application',
    f,
    'body{font-family:Caladea;font-size:10.5pt}h1{font-size:17pt;border-bottom:.4mm solid #000}' +
      '.q{margin-top:3mm}.q td{padding:1.7mm 0;vertical-align:top}.q td:first-child{width:78mm}' +
      '.q td:last-child{border-bottom:.2mm solid #777;font-family:"DejaVu Sans Mono",monospace;' +
      `font-size:9.5pt}${k}`,
    page(
      `<p class=r style="font-size:9pt">Application no. ${story.caseNumber}` +
        `</p><h1>Request for Working Boat Finance</h1><p>To Merrow Sound Mutual, ${d(story.applied)}` +
        '</p><p><b>A. The borrower</b></p>',
      `<table class="q">${row('Name in full', fullName(a))}${row('Born', d(a.born))}` +
        `${row('National no.', a.nationalNumber)}${row('Permanent address', f.address)}` +
        `${row('Telephone', a.phone)}${row('Electronic mail', a.email)}` +
        `${row('Occupation', 'Deckhand')}` +
        `${row('Status in employment', story.selfEmployed ? 'Self-employed' : 'Employed')}` +
        `${row('Present employer', f.employer)}${row('Average take-home pay per month', m(f.income))}` +
        `${partner ? row('Second borrower', partner) : ''}</table><div class="foot">1 / 2</div>`,
    ) +
      page(
        `<p><b>B. The purchase</b></p><table class="q">${row('Vessel to be purchased', f.vessel)}` +
          `${row('H.I.N.', f.hull)}${row('Price agreed with the seller', m(story.total))}` +
          `${row('Less: paid by borrower', m(story.deposit))}${row('Finance requested', m(f.loan))}` +
          `${row('Repayable over (months)', String(story.term))}` +
          `${row('Borrower’s bank account (IBAN)', story.iban.replace(/(.{4})(?=.)/g, '$1 '))}` +
          `${row('Loans elsewhere', story.existingLoan ? 'Yes' : 'No')}</table>`,
        '<p style="margin-top:12mm">The above is correct and complete.</p>' +
          `<div style="display:flex;gap:20mm;margin-top:10mm"><div>Signed ${ink(f.signed, dice)}` +
          `</div><div style="align-self:end">Dated ${f.signed ? d(f.on) : '______________'}` +
          '</div></div><div class="foot">2 / 2</div>',
      ),
    f.signed,
  )
}

export async function drawCard(story: Story, layout: number, dice: Dice, wishes: CardWishes): Promise<Drawn> {
  const card = layout === 0
  const f = facts.cardFacts(story, dice, wishes, card ? 10 : 5, card ? 'UTO' : 'UTOPIAN')
  const { d } = facts.forms(card ? 'dots' : 'medium', 'eur')
  const zone = zoneLines(card, {
    number: f.number,
    born: f.born,
    expiry: f.expiry,
    given: f.given,
    family: f.family,
  })
    .map(esc)
    .join('<br>')
  const face =
    '<svg viewBox="0 0 60 76" style="width:30mm"><rect width="60" height="76" fill="#dde3e8"/>' +
    '<circle cx="30" cy="28" r="14" fill="#8b98a5"/>' +
    '<path d="M6 76q0-30 24-30t24 30" fill="#8b98a5"/></svg>'
  if (card)
    return print(
      'identity_card',
      f,
      'body{font-family:Roboto;font-size:8.5pt}.card{border:.3mm solid #678;border-radius:4mm;' +
        'width:130mm;padding:5mm;background:#f2f6f8;margin:10mm auto}small{color:#468;' +
        'font-size:6.5pt;display:block}.z{font-family:"DejaVu Sans Mono";font-size:11.5pt;' +
        'margin-top:4mm;line-height:1.35}',
      page(
        '<div class="card"><b>UTOPIA</b> &nbsp; PERSONAL IDENTITY CARD · CARTE D’IDENTITÉ<div style="display:flex;gap:6mm;margin-top:4mm">' +
          `${face}<div style="display:grid;grid-template-columns:1fr 1fr;gap:2mm 6mm"><div>` +
          `<small>Surname / Nom</small>${esc(f.family.toUpperCase())}` +
          `</div><div><small>Card no. / Carte n°</small>${f.number}` +
          `</div><div><small>Given names / Prénoms</small>${esc(f.given.toUpperCase())}` +
          '</div><div><small>Nationality / Nationalité</small>UTO</div><div>' +
          `<small>Date of birth / Date de naissance</small>${d(f.born)}` +
          '</div><div><small>Sex / Sexe</small>X</div><div><small>Issued / Délivrée le</small>' +
          `${d(f.issued)}</div><div><small>Expires / Expire le</small>${d(f.expiry)}` +
          '</div></div></div></div><div class="card"><small>Machine readable</small><div class="z">' +
          `${zone}</div></div>`,
      ),
    )
  return print(
    'identity_card',
    f,
    'body{font-family:Lato;font-size:9.5pt}.p{border:.3mm solid #999;padding:6mm;margin-top:20mm}' +
      'small{color:#777;display:block;font-size:7pt}.z{font-family:"DejaVu Sans Mono";' +
      'font-size:12pt;margin-top:6mm;line-height:1.5}',
    page(
      '<p style="font-size:8pt">Certified true copy, Merrow counter</p><div class="p">' +
        '<div style="display:flex;justify-content:space-between"><b>PASSPORT</b>' +
        `<b>REPUBLIC OF UTOPIA</b></div><div style="display:flex;gap:8mm;margin-top:5mm">${face}` +
        '<div><div style="display:flex;gap:14mm"><div><small>Type</small>P</div><div>' +
        `<small>Code of issuing State</small>UTO</div><div><small>Passport No.</small>${f.number}` +
        `</div></div><small>1. Surname</small>${esc(f.family.toUpperCase())}` +
        `<small>2. Given names</small>${esc(f.given.toUpperCase())}` +
        `<small>3. Nationality</small>UTOPIAN<small>4. Date of birth</small>${d(f.born)}` +
        `<small>7. Date of issue</small>${d(f.issued)}<small>8. Date of expiry</small>${d(f.expiry)}` +
        `<small>9. Authority</small>MERROW</div></div><div class="z">${zone}</div></div>`,
    ),
  )
}

export async function drawLetter(story: Story, layout: number, dice: Dice): Promise<Drawn> {
  const f = { truth: new Ledger() }
  const name = fullName(story.applicant)
  f.truth.put('sender_name', name)
  f.truth.put('letter_date', story.applied)
  const { d } = facts.forms(layout === 0 ? 'long' : 'medium', 'eur')
  if (layout === 0)
    return print(
      'cover_letter',
      f,
      'body{font-family:Caladea;font-size:11.5pt;line-height:1.45}',
      page(
        `<p class=r>${esc(name)}<br>${esc(`${story.home.number} ${story.home.street}`)}<br>` +
          `${esc(`${story.home.town} ${story.home.code}`)}` +
          '</p><p>Merrow Sound Mutual<br>Loans Department<br>1 Harbour Street<br>Merrow SK1 1MS</p><p>' +
          `${d(story.applied)}</p><p><b>Re: finance for the ${esc(story.vessel)}` +
          '</b></p><p>Dear Ms Hallam,</p><p>Thank you for your time on the telephone last week. ' +
          'As you asked, I am sending the papers for my loan. ' +
          'The yard would like an answer before the end of the month, since they hold the price only ' +
          'until then. I have put in what I have; please ring me if you want anything else.</p>' +
          `<p>Yours sincerely,</p>${scrawl(dice.int)}<p>${esc(name)}</p>`,
      ),
    )
  return print(
    'cover_letter',
    f,
    'body{font-family:Roboto;font-size:10pt}h2{font-size:14pt;font-weight:500}',
    page(
      '<h2>Documents for loan</h2><div style="display:flex;justify-content:space-between;' +
        `border-top:.2mm solid #bbb;padding-top:3mm"><div><b>${esc(name)}</b> &lt;` +
        `${story.applicant.email}&gt;<br><span style="color:#666">to loans@merrowsound.example</span></div>` +
        `<div style="color:#666">${d(story.applied)}, 18:42</div></div><p style="margin-top:8mm">Hi,</p><p>Scans attached as discussed. ` +
        'The insurance one is the temporary note, they say the full policy follows. ' +
        `Let me know whether you need the originals.</p><p>Thanks<br>${esc(story.applicant.given)}` +
        '</p><p style="color:#777;font-size:8.5pt">Sent from my phone. 9 attachments.</p>',
    ),
  )
}

const STRAYS = [
  `<h1 style="text-align:center">Harbour Day 2026</h1>` +
    `<p style="text-align:center">Saturday 20 June, from 10 am, Port Ellery quay</p><ul>` +
    `<li>Crab racing for the under-tens</li><li>Raft race at high water, 14:20</li>` +
    `<li>Pie stall in aid of the lifeboat</li></ul>` +
    `<p>Stall holders please book by the end of May: 3 metres EUR 15.00.</p>`,
  `<h2>Winterising your outboard</h2><ol><li>Flush with fresh water for ten minutes.</li>` +
    `<li>Run the carburettor dry.</li><li>Change the gear oil; ` +
    `milky oil means a worn seal.</li><li>Grease the prop shaft.</li></ol>` +
    `<p>Torque the drain plug to 7 Nm. Part no. 92-802865Q02. ` +
    `Keep this sheet with the engine manual.</p>`,
]

export const drawStray = (layout: number): Promise<Drawn> =>
  print('unknown', { truth: new Ledger() }, 'body{font-family:Carlito;font-size:13pt}', page(STRAYS[layout]))
