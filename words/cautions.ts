import type { Caution } from '../core/vocabulary/steps';
export const cautionText: Record<Caution, string> = {
  'heat-window':
    'The seal must soften while the cell stays cool. Feel the edge: open as soon as it gives, within minutes of the heat.',
  'heat-near-cell':
    'Never heat a swollen, pierced, wet or already hot cell. Stop if the panel lifts by itself.',
  'solvent-away-from-heat': 'Alcohol catches fire: heat source off, device off the plate and cooled first.',
  'solvent-ventilate': 'Ventilate, little alcohol, nothing near that sparks.',
  depth: 'Not deeper than the mark on the pick. Blade on the chassis, below the panel’s own frame.',
  'no-go-edges': 'Mind the hatched edges on the map: flexes and sensors lie there.',
  'swollen-poke': 'Bad cell underneath: poke round the edge, never sweep under. No metal.',
  'cell-recycled': 'Old cell: tape its plug, keep it flat, recycle it by the local rules.',
  'swollen-container':
    'Old cell into the fire-safe container; recycle it by the local rules for damaged cells.',
  'cell-no-metal': 'Plastic only at the cell. Nothing sharp.',
  'cell-no-bend': 'Never bend the cell. Smoke: leave, ventilate, do not breathe it.',
  'strip-flat': 'Pull flat, under 30°, slowly and evenly, away from sharp edges.',
  'long-screw':
    'One of these is longer than other holes of this bracket bear: it would reach the board there.',
  'live-board': 'Until it is off the board is live, even switched off. Plastic only, straight up.',
  'press-ends': 'One end first, then the other. Never the middle.',
  'sealed-until-now':
    'Sealed until this moment: both lenses free of dust and prints, and in at once. Films may be inked: look at the glass, too.',
  fragile: 'Touch the edges only.',
  laser: 'Eye-safe only while whole: never look into an opened projector.',
  glass: 'Shards fly: glasses and gloves.',
  static: 'Wrist strap on before the board is exposed.',
  'charge-low': 'Charge below 25 % before prying.',
  'off-before-opening': 'Off before the first screw: a slipping blade meets no live board.',
  'cut-while-warm': 'Go round while it is warm: nothing loosens it afterwards.',
  'drip-and-wait': 'Drip, wait, lift a little, repeat. No heat.',
  'plastic-only': 'Plastic only at the plugs.',
  'off-again': 'Off again before the rim is cleaned and sealed.',
  'plugs-off-again': 'Off once more: the bare frame is cleaned, sealed and pressed, then it is hung again.',
  'display-stays-on': 'It hangs on its flexes: lay the seal by hand, and press only the closed device.',
  'pressed-first': 'The closed device has been pressed: now its screws.',
  'screws-first': 'Screws first here, then the press.',
  'film-at-hand-over': 'It keeps the glass clean until the owner has it.',
  'film-before-closing': 'Look at the glass once more before it is shut.',
  'uv-eyes': 'UV light: never into eyes; shield it, and cover what it must not reach.',
  'lead-hands': 'Extraction on for the flux; wash hands after lead solder.',
  'small-pieces':
    'Magnets jump: glue and watch until it sets. Some frames come with parts fitted, wrong or missing: check against the old one. Mute switch to ring before its cap goes on.',
  'charger-off': 'Charger off before anything is opened.',
  'strap-checked': 'Check the strap before you trust it.',
  'vacuum-bench': 'Vacuum the bench afterwards.',
  magnets: 'Strong magnets: away from pacemakers and from the loose screws; mind their fine wires.',
  'cell-not-alone': 'An uncovered cell is not left alone on the bench.',
  'recharge-listed':
    'A listed charger, hands off, never with a damaged cell; unplugged before the next touch.',
  'calibrate-fails':
    'If it fails, in this order: network, more than 20 % charge, restart, display reseated, then: a foreign-made part, or a donor still locked to an account. A second pass verifies.',
  corners:
    'Corners hold longest: turn the tool, do not cut or force; a drop more, wait; a tip filed thinner goes in where a pick does not.',
  'power-test':
    'Hands off while it is on. Never with a damaged cell; no charger but a listed low-voltage supply, unplugged before the next touch.',
  'trial-off': 'Off again before anything is moved.',
  'cell-stays-on': 'The cell stays on: nothing wet and nothing of metal near the plugs.',
  'notice-stays': 'The notice stays; the owner has been told.',
  'wide-tool': 'Alcohol along the edge, wait, then a wide flat plastic tool; never bend the cell.',
  'rim-alcohol': 'Alcohol of 91 % or more; mind that the ear mesh is home.',
  'acetone-metal-only':
    'Acetone on bare metal only: never near the ear mesh, coated plastics or the panel. It catches fire even more easily.',
  'seal-came-fitted':
    'It came fitted: no second one on top. Whole all round, nowhere folded, liner on until it is closed. If it is not, take it off and lay a new one.',
  'press-by-hand': 'Press by hand, little force, the flex side with care: more breaks the panel.',
  'no-water-claim': 'No leak test: nothing is said to the owner about water.',
  'check-threads': 'Start all by hand. A worn head or a tired thread is replaced.',
  'new-screws':
    'New screws with dry thread-lock: all by hand first, then tighten. The old ones go into the owner’s bag.',
  'air-280': '280 °C at the dial, air 60, 10 mm away, 6–10 s. The dial is one machine’s; extraction on.',
  'air-300': '300 °C, little air, until it slides by itself; never above 330 °C. Extraction on.',
  'calibrate-open':
    'Network, more than 20 % charge, a restart or two. Not yet sealed: its remedies need the connectors.',
  'calibrate-closed': 'Network, more than 20 % charge, a restart or two.',
  'score-and-heat': 'Score, then hot air and a flat scraper: it slides, it is not pulled. No dust.',
  'grinding-dust': 'Dust: extraction, mask and glasses; keep it off lenses and plugs.',
  'glue-wait': 'Not moved before its handling time is over; the glue’s sheet says when.',
  'tape-next-time': 'Tape holds well and punishes the next repair: say so in the note.',
  'first-test-now': 'The new part has not been tried yet: this is its first test.',
  'treat-live': 'It cannot be switched off: treat it as live until the cell is unplugged.',
  'measure-screws': 'Repaired before: screws may be others. Measure each as it comes out.',
  'open-back': 'Glass is missing at the back: a blade or a drop there reaches the cell.',
  'blade-at-rim':
    'Panel and frame are both replaced: a metal blade at the rim is allowed, not deeper than the mark; cell, flexes and face module lie under it.',
  'bent-frame': 'The frame is bent: it lies flat on no plate and in no fixture.',
  'laser-enclosed':
    'Class 4 inside: only in the interlocked enclosure, with extraction, by a trained person. Charge low, openings masked.',
  'glass-flies': 'Glass flies far: glasses, gloves, covered skin; nobody beside you without them.',
  'laser-zones': 'Coil and flash are left out, or get the weaker setting.',
  'warm-over-coil': 'Over the coil it still holds: warm it there, and lift slowly.',
  bristles: 'A bristle that breaks off shorts what lies behind: pick out every one.',
  crumbs:
    'Under good light, from the side. Splinters at optics come off with old tacky glue; a vacuum scatters them.',
  'chisel-shards':
    'Shards fly: glasses, gloves, covered. Depth is everything; every crumb out before gluing.',
};
