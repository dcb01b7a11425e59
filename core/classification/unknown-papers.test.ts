import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { segmentPages } from './segment.ts'
import { typeById } from '../program/document-type.ts'

/**
 * What people send along that nobody asked for. None of it may pass for a paper of a known type without a
 * question.
 */
const strangers: Record<string, string> = {
  'a choir’s notice': `
    Saltholm Choir: autumn evenings
    Rehearsals are on Thursdays at half past seven in the net loft.
    Tea is brought by Group B in October.`,
  'a recipe': `
    Mussels in cider
    2 kg mussels | 4 dl dry cider
    1 onion | 50 g butter
    Soften the onion, add the cider and the mussels, and cover for five minutes.`,
  'a tide table': `
    Port Ellery: tides in April
    Day | High | Low | High | Low
    1 | 04:12 | 10:31 | 16:40 | 22:58
    2 | 04:55 | 11:14 | 17:22 | 23:40
    3 | 05:37 | 11:56 | 18:05 | -`,
  'a newsletter': `
    THE SKERROW OBSERVER
    Ferry back in service
    After eleven days in the dry dock the ferry Isles Maiden took up its timetable again on Monday.
    The harbour office asks drivers to come half an hour early.`,
  'a boarding pass': `
    BOARDING PASS
    Name VARNHAM/OTTILIE MS
    Flight SI 204 | Gate 3 | Seat 14C
    From Merrow | To Port Ellery
    Boarding 09:25 | 14 MAR`,
  'a delivery note': `
    Kittiwake Ropeworks Ltd
    DELIVERY NOTE 20417
    Delivered to: Teague Oysters, 6 Shell Walk, Saltholm
    Rope, polypropylene, 12 mm | 200 m
    Shackles, galvanised | 24 pieces
    Received in good order:`,
  'a medical certificate': `
    Dr Edda Quill, general practitioner
    To whom it may concern
    Mr Brevik was seen in my surgery and is fit for work at sea.
    This opinion is valid for two years.`,
  'a guarantee card': `
    Two years' guarantee on your marine radio
    Serial number 88-20417-X
    Keep this card together with the receipt. Water damage is not covered.`,
  'a museum ticket': `
    Maritime Museum of Merrow
    Admission for one adult
    Valid on the day of purchase only
    No. 004411`,
  'a list of telephone numbers': `
    Crew list and telephones
    Skipper Ottilie | 089 493
    Mate Jonas | 212 880
    Ice works | 555 010
    Fuel quay | 555 020`,
  'a horoscope': `
    Your week in the stars
    Fish: a good week for patience. The moon stands well for those who mend nets.
    Crab: look sideways before you leap.`,
  'directions to a house': `
    How to find us
    Leave the ferry and take the second turning on the left after the chapel. Follow the wall to its end.
    The blue door is ours. If you reach the lighthouse you have gone too far.`,
  'a timetable of buses': `
    Line 4: Merrow to Saltholm
    Merrow quay | 07:10 | 08:10 | 09:10
    Cross roads | 07:22 | 08:22 | 09:22
    Saltholm | 07:41 | 08:41 | 09:41`,
  'a poem': `
    The lamp upon the harbour wall
    Has seen a hundred captains fall
    Asleep beside their cooling tea
    While herring gulls possess the sea.`,
  'an advertisement': `
    SPRING SALE at Lantern Chandlery
    All lifejackets a fifth off until Easter
    Boots, gloves, oilskins: see the big net in the window!`,
  'a club’s rules': `
    Rules of the Oyster Haven Rowing Club
    1. Members sweep the boathouse in turn.
    2. Nobody takes out the gig alone.
    3. Whoever breaks an oar buys the next one.`,
  'a crossword': `
    ACROSS
    1 Knot for a bollard (7)
    5 What the tide does (4)
    DOWN
    2 A small cask (6)
    3 Over the stern (3)`,
}

const asked = (lines: string, source: 'text' | 'ocr'): boolean =>
  segmentPages(
    [
      pageOf(
        lines
          .trim()
          .split('\n')
          .map((line) =>
            line
              .split('|')
              .map((cell) => cell.trim())
              .join(' | '),
          ),
        { source, confidence: source === 'text' ? 1 : 0.93 },
      ),
    ],
    starterTypes,
  ).every(
    (piece) => piece.type === 'unknown' || piece.confidence < typeById(starterTypes, piece.type).threshold,
  )

test.each(Object.keys(strangers))('%s is taken for no known paper unasked, printed or scanned', (what) => {
  expect([asked(strangers[what], 'text'), asked(strangers[what], 'ocr')]).toEqual([true, true])
})
