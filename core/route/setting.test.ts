import { expect, test } from 'vitest';
import { allStations } from '../methods/catalogue';
import { methodsOf } from '../methods/methods';
import { asItCame } from '../steps/route';
import { indexed, mica9 } from '../testing/demo-models';
import { looseSeconds, type Setting } from './setting';
import { handsS } from './times';

const setting = (softening: string): Setting => ({
  index: indexed(mica9),
  standing: asItCame,
  methods: methodsOf({ softening } as never),
  conditions: [],
  stations: allStations,
  hourlyRateMinor: 0,
  force: {},
  remedies: {},
});
test('the hands for a seal are those of all that its release takes: the soak, the gap, the alcohol', () => {
  const seal = mica9.bonds.find((b) => b.id === 'seal')!;
  const [byHeat, bySolvent] = seal.release;
  const likely = (softening: string) => looseSeconds(setting(softening), 'seal').likely;
  expect(likely('heat')).toBe(byHeat!.handsS + handsS.heatStart.likely);
  expect(likely('solvent')).toBe(bySolvent!.handsS + handsS.solvent.likely);
  expect(likely('heat-solvent')).toBe(
    byHeat!.handsS + handsS.heatStart.likely + handsS.solvent.likely + handsS.gap.likely,
  );
});
