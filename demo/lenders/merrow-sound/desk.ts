import { receiverSchema } from '../../../core/receivers/index.ts'
import { FIRST_ORGANISATION } from '../../../server/database/schema.ts'
import type { DemoDesk } from '../../desk.ts'
import { merrowSound } from './index.ts'
import { packages } from './packages.ts'
import { device } from './device.ts'
import receiversFile from './receivers.json' with { type: 'json' }
import { world } from './world.ts'

/** Merrow Sound's desk. */
export const merrowSoundDesk: DemoDesk = {
  id: FIRST_ORGANISATION,
  casePrefix: 'MSM',
  device,
  mail: 'intake@merrowsound.example',
  set: merrowSound,
  people: [
    { name: 'Thea Brandreth', email: 'thea@merrowsound.example', role: 'processor' },
    { name: 'Ivo Sundberg', email: 'ivo@merrowsound.example', role: 'processor' },
    { name: 'Maud Carrow', email: 'maud@merrowsound.example', role: 'reviewer' },
    { name: 'Ruben Haldane', email: 'ruben@merrowsound.example', role: 'lead' },
    { name: 'Ada Northcott', email: 'ada@merrowsound.example', role: 'administrator' },
  ],
  packages,
  receivers: receiversFile.map((receiver) => receiverSchema.parse(receiver)),
  registers: (asOf) => {
    const { customers, employers } = world(asOf)
    return { customers, employers }
  },
}
