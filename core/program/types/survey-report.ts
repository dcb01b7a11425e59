import type { TypeData } from './type-data.ts'
import { HULL, HULL_ABROAD, SIGNATURE, VESSEL, VESSEL_ABROAD } from './wordings.ts'

export const surveyReport: TypeData = {
  id: 'survey_report',
  title: 'Survey report',
  short: 'Survey',
  pages: { min: 1, max: 24 },
  titles: ['survey report', 'condition survey', 'condition and valuation survey', 'vessel survey', 'marine survey', 'valuation report', 'report of survey', 'marine survey report', 'condition and valuation report', 'pre-purchase survey', 'hull survey', 'report on the condition', 'boat survey', "surveyor's report", "rapport d'expertise", "rapport d'expertise maritime", 'expertise maritime', 'informe pericial', 'informe de inspección', 'peritaje', 'peritación de embarcación', 'informe de peritación'],
  signs: [
    { words: 'surveyor', weight: 2.2 }, { words: 'survey', weight: 1.5 }, { words: 'condition', weight: 0.8 }, { words: 'valuation', weight: 1.5 }, { words: 'market value', weight: 2 }, { words: 'hull and deck', weight: 1.2 }, { words: 'osmosis', weight: 1.5 }, { words: 'moisture', weight: 1.5 }, { words: 'bilge', weight: 1.2 }, { words: 'keel', weight: 1 }, { words: 'sea trial', weight: 0.8 }, { words: 'recommendations', weight: 1.2 }, { words: 'findings', weight: 1 },
    { words: 'antifouling', weight: 1.2 }, { words: 'propeller', weight: 1 }, { words: 'stern gear', weight: 1.5 }, { words: 'rudder', weight: 1 }, { words: 'through-hull', weight: 1 }, { words: 'seacocks', weight: 1.5 }, { words: 'anodes', weight: 1.5 }, { words: 'inspected', weight: 1.2 }, { words: 'inspection', weight: 1 }, { words: 'ashore', weight: 0.8 }, { words: 'afloat', weight: 0.8 }, { words: 'defects', weight: 1 },
    { words: 'expert', weight: 1.2 }, { words: 'expertise', weight: 1.5 }, { words: 'valeur vénale', weight: 2 }, { words: 'coque', weight: 1 }, { words: 'état général', weight: 1.2 }, { words: 'perito', weight: 2 }, { words: 'valor de mercado', weight: 2 }, { words: 'casco', weight: 1 }, { words: 'estado general', weight: 1.2 }, { words: 'inspección', weight: 1.2 },
  ],
  lastSigns: ['signature of surveyor', 'surveyor signature', 'signed surveyor', 'without prejudice', 'end of report', 'signature de l’expert', 'firma del perito'],
  signature: { labels: [...SIGNATURE, 'signature of surveyor', "surveyor's signature", 'surveyor', 'marine surveyor', 'signed surveyor', 'signature de l’expert', 'l’expert', 'firma del perito', 'firma', 'el perito', 'le soussigné'] },
  versions: { date: 'inspection_date', of: ['hull_number'] },
  fields: [
    { name: 'report_number', title: 'Report number', kind: 'id', labels: ['report number', 'report no', 'survey number', 'survey no', 'our reference', 'reference', 'ref', 'report ref', 'file number', 'our ref', 'report reference', 'survey ref', 'job number', 'number of report', 'numéro du rapport', 'rapport n°', 'n° de rapport', 'référence', 'informe n.º', 'número de informe', 'n.º de informe', 'referencia', 'expediente'] },
    { name: 'surveyor_name', title: 'Surveyor', kind: 'name', labels: ['surveyor', 'name of surveyor', 'surveyor name', 'surveyed by', 'inspected by', 'carried out by', 'attending surveyor', 'survey by', 'report by', 'prepared by', 'marine surveyor', 'survey carried out by', 'examined by', 'expert', "nom de l'expert", 'expert maritime', 'perito', 'nombre del perito', 'perito naval', 'inspeccionado por', 'examiné par', 'author of the report', 'undersigned surveyor'] },
    { name: 'inspection_date', title: 'Inspected', kind: 'date', labels: ['date of inspection', 'inspection date', 'inspected on', 'date of survey', 'survey date', 'surveyed on', 'date inspected', 'day of inspection', 'date of visit', 'vessel inspected on', 'examined on', 'survey carried out on', 'seen on', "date d'inspection", "date de l'expertise", 'date de la visite', 'expertisé le', 'visité le', 'fecha de inspección', 'fecha de la inspección', 'inspeccionado el', 'fecha del peritaje', 'date'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', labels: [...VESSEL, 'vessel surveyed', 'subject vessel', 'boat surveyed', ...VESSEL_ABROAD] },
    { name: 'hull_number', title: 'Hull number', kind: 'id', labels: [...HULL, ...HULL_ABROAD] },
    { name: 'market_value', title: 'Market value', kind: 'money', labels: ['market value', 'value', 'estimated market value', 'valuation', 'current market value', 'open market value', 'fair market value', 'estimated value', 'value of vessel', 'present value', 'value as inspected', 'our valuation', 'valued at', 'assessed value', 'value in present condition', 'opinion of value', 'value put at', 'valeur vénale', 'valeur de marché', 'valeur estimée', 'estimation', 'valor de mercado', 'valor estimado', 'tasación', 'valor venal'] },
  ],
}
