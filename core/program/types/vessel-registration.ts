import type { TypeData } from './type-data.ts'

export const vesselRegistration: TypeData = {
  id: 'vessel_registration',
  title: 'Vessel registration',
  short: 'Registration',
  pages: { min: 1, max: 1 },
  titles: ['certificate of registry', 'certificate of registration', 'vessel registration', 'registration certificate', 'certificate of british registry', 'certificate of vessel registration', 'register of vessels', 'registry of vessels', 'certificate of ship registry', 'vessel registry certificate', 'extract from the register of vessels', 'extract from the register of ships', 'boat registration certificate', 'small craft registry', 'registry certificate', 'small ships register', 'registration document', 'register extract'],
  signs: [
    { words: 'registrar', weight: 2 }, { words: 'port of registry', weight: 2 }, { words: 'official number', weight: 1 }, { words: 'length overall', weight: 1.2 }, { words: 'gross tonnage', weight: 1.5 }, { words: 'tonnage', weight: 1 }, { words: 'registered owner', weight: 1.5 }, { words: 'hereby certified', weight: 1.2 },
    { words: 'year of build', weight: 1 }, { words: 'call sign', weight: 1 }, { words: 'registry', weight: 1.5 }, { words: 'register', weight: 0.8 }, { words: 'breadth', weight: 0.6 },
  ],
  person: 'owner_name',
  fields: [
    { name: 'registration_number', title: 'Registration number', kind: 'id', labels: ['registration number', 'registration no', 'registry number', 'registry no', 'register number', 'official number', 'official no', 'certificate number', 'certificate no', 'reg no', 'number in the register', 'register no', 'entry number', 'entry no', 'registered under number', 'reg number', 'registration mark', 'registered number', 'ssr number', 'port registration number'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', labels: ['vessel name', 'name of vessel', 'name of the vessel', 'name of ship', 'vessel', 'name of craft', 'boat name', 'name of boat', 'ship', 'craft', 'name', 'boat', 'the vessel known as', 'certify that the', 'certified that the ship', 'that the ship', 'craft named', 'the craft named', 'm.v.', 'mv'] },
    { name: 'hull_number', title: 'Hull number', kind: 'id', labels: ['hull number', 'hull no', 'hull id', 'hull identification', 'hull identification number', 'hull', 'hin', 'hull ident no', 'hull mark', 'hull identification no', 'number of hull', 'identification of hull', "builder's hull no", 'hull serial number', 'hin / hull no.', 'hull ref.', 'craft identification number (cin)'] },
    { name: 'owner_name', title: 'Owner', kind: 'name', labels: ['owner', 'registered owner', 'name of owner', 'owner name', 'owners', 'name of registered owner', 'proprietor', 'owned by', 'registered in the name of', 'sole owner', 'held by', 'property of', 'belongs to', 'owner of the vessel', 'name of the owner', 'keeper', 'keeper owner', 'name and address of owner', 'name residence and shares of the owner', 'owner and shares', 'registered owner(s)', 'owner and address', 'registered keeper'] },
    { name: 'issue_date', title: 'Issued', kind: 'date', labels: ['date of issue', 'issue date', 'issued', 'issued on', 'date issued', 'registered on', 'date of registration', 'registration date', 'entered on', 'given on', 'date of entry', 'date first issued', 'issued at', 'this certificate was issued on', 'certificate issued on', 'given under my hand on', 'registered at', 'was registered at', 'effective date', 'effective from'] },
    { name: 'expiry_date', title: 'Expires', kind: 'date', labels: ['date of expiry', 'expiry date', 'expires', 'expires on', 'valid until', 'valid to', 'expiry', 'renewal due', 'renewable by', 'in force until', 'registration expires', 'good until', 'to be renewed by', 'renew before', 'registration ends', 'ends', 'renewal by', 'valid to date', 'end of validity', 'not valid after', 'ceases to be valid on', 'certificate expires', 'this certificate expires on', 'valid up to and including', 'this certificate ceases to be valid on'] },
  ],
  relations: [{ kind: 'not_after', first: 'issue_date', second: 'expiry_date' }],
}
