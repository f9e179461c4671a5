import { nothingSent } from '../job/sender';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import { instruct } from '../../core/progress/instruct';
import { Bench } from '../../core/testing/bench';
import { dune3, indexed, mica4, mica9, route } from '../../core/testing/demo-models';
import { MemoryRouter } from 'react-router';
import { InstructionPanel } from '../routes/work/instruction-panel';
import { DeviceMap } from './device-map';
import { Ledger } from './ledger';
import { matOf } from '../../core/screws/mat-of';
import { Mat, Trays } from './mat';
import { LengthBar } from './recess';

const index = indexed(mica9);
const plan = route(mica9);
const pressed = (presses: number) => {
  const b = new Bench(index, plan).open();
  for (let k = 0; k < presses; k++) b.next();
  return b;
};
const quiet = { ...nothingSent, counted: true };

describe('the map', () => {
  const draw = (presses: number, now?: string) =>
    renderToStaticMarkup(
      <DeviceMap index={index} state={pressed(presses).state} lit={[]} now={now} showNoGo={false} />,
    );
  test('of a closed device shows the display, its hooks and the outside screws, and nothing that is hidden', () => {
    const svg = draw(0);
    expect(svg).toContain('<title>screw A1, 6.7 mm, in</title>');
    expect(svg).not.toContain('screw B1');
    expect(svg).not.toContain('cell connector');
    expect(svg).toContain('perimeter seal, whole');
  });
  test('of an open one shows what lies under it, and what is out as an empty place', () => {
    const svg = draw(17);
    expect(svg).toContain('cell connector, off');
    expect(svg).toContain('<title>cell bracket, out</title>');
    expect(svg).toContain('screw B1, 1.2 mm, out');
    expect(svg).toContain('perimeter seal, broken');
    expect(svg).not.toContain('panel connector');
  });
  test('draws every stretch of the edge where a blade may not go, when it is opened', () => {
    const svg = renderToStaticMarkup(
      <DeviceMap index={index} state={pressed(4).state} lit={['seal']} now="seal" showNoGo />,
    );
    for (const n of mica9.noGo) expect(svg).toContain(n.why);
  });
  test('and the stretch where glass is missing on this one device', () => {
    const bench = pressed(4);
    bench.do({ type: 'marked', mark: { id: 'm1', side: 'front', x: 2, y: 60, kind: 'missing glass' } });
    expect(
      renderToStaticMarkup(
        <DeviceMap index={index} state={bench.state} lit={['seal']} now="seal" showNoGo />,
      ),
    ).toContain('glass is missing here');
  });
  test('is drawn in millimetres of the model', () => {
    expect(draw(0)).toContain(`width="${mica9.outline.widthMm}" height="${mica9.outline.heightMm}"`);
  });
});

describe('the mat', () => {
  test('shows a screw that lies on it, one in its hole, and one adrift, each in its own way', () => {
    const b = pressed(3);
    b.do({ type: 'lost', piece: 'A2#1' });
    const svg = renderToStaticMarkup(
      <Mat
        index={index}
        state={b.state}
        cells={matOf(index)}
        used={new Set(['A1', 'A2', 'B1'])}
        now={undefined}
        lit={[]}
      />,
    );
    expect(svg).toContain('A1, 6.7 mm, on the mat');
    expect(svg).toContain('A2, 6.7 mm, adrift');
    expect(svg).toContain('B1, 1.2 mm, in its hole');
    // what this route leaves alone is only a dot
    expect(svg).toContain('B2, not on this route');
    b.do({ type: 'spilled', pieces: ['A1#1'] });
    expect(
      renderToStaticMarkup(
        <Mat index={index} state={b.state} cells={matOf(index)} used={new Set()} now={undefined} lit={[]} />,
      ),
    ).toContain('A1, 6.7 mm, mixed up');
  });
  test('of the other school is a tray for each go, with what lies in it', () => {
    const trays = plan.steps
      .filter((x) => x.action === 'unscrew')
      .map((x) => ({ name: x.about ?? '', screws: x.targets }));
    const text = renderToStaticMarkup(<Trays index={index} state={pressed(3).state} trays={trays} now="B1" />)
      .replace(/<[^>]+>/g, ' ')
      .replace(/\s+/g, ' ');
    expect(text).toContain('1 · display 2 / 2');
    expect(text).toContain('A1 6.7 P2');
    expect(text).toMatch(/2 · [a-z -]+ 0 \/ \d/);
  });
});

test('lengths are drawn in true proportion', () => {
  const bar = (l: number) =>
    Number(
      /x="7"[^>]*width="([\d.]+)"/.exec(renderToStaticMarkup(<LengthBar lengthMm={l} longestMm={4} />))![1],
    );
  expect((bar(2.4) - 5) / (bar(1.2) - 5)).toBeCloseTo(2, 5);
});

describe('the ledger bar', () => {
  const draw = (b: Bench, send: Parameters<typeof Ledger>[0]['send'] = quiet) =>
    renderToStaticMarkup(<Ledger index={index} state={b.state} send={send} />)
      .replace(/<[^>]+>/g, ' ')
      .replace(/\s+/g, ' ');
  test('tells cell, screws, connectors, parts and seal as they stand', () => {
    expect(draw(pressed(0))).toMatch(
      /Cell is on the device is closed 0 \/ 32 screws out 0 connectors off 0 parts out seal whole 0 kept all confirmed/,
    );
    expect(draw(pressed(15))).toMatch(
      /Cell unplugged connectors may move 4 \/ 32 screws out 1 connector off 1 part out seal broken, renew/,
    );
  });
  test('always says how many are kept, and why', () => {
    expect(draw(pressed(1), { ...quiet, kept: 3, link: 'no server' })).toContain(
      '3 kept server is away: kept here',
    );
    expect(draw(pressed(1), { ...quiet, kept: 3, link: 'signed out' })).toContain('3 kept sign in to send');
    expect(draw(pressed(1), { ...quiet, kept: 1, link: 'ok' })).toContain('1 kept being confirmed');
  });
  test('names what is adrift', () => {
    const b = pressed(3);
    b.do({ type: 'lost', piece: 'A1#1' });
    expect(draw(b)).toContain('adrift: screw A1');
  });
});

describe('the instruction', () => {
  const draw = (b: Bench, measured?: number) => {
    const now = instruct(b.context, b.state, { at: b.at, clockKnown: true });
    if (now.kind === 'leaks') throw new Error('it has no panel of this kind');
    const at =
      now.kind === 'do' || now.kind === 'waiting' || now.kind === 'checks' ? plan.steps.indexOf(now.step) : 0;
    return renderToStaticMarkup(
      <MemoryRouter>
        <InstructionPanel
          index={index}
          state={b.state}
          now={now}
          steps={plan.steps}
          at={at}
          done={at}
          firstAt={b.at}
          measured={measured}
          nextUp={plan.steps[at + 1]}
          conditions={[]}
          jobId="j"
          person="technician"
          planning={{ busy: false, error: undefined }}
          onTarget={() => {}}
        />
      </MemoryRouter>,
    )
      .replace(/<[^>]+>/g, ' ')
      .replace(/&#x27;/g, '’')
      .replace(/\s+/g, ' ');
  };
  test('has the bit, the screws with their lengths, the reason and what comes next', () => {
    const text = draw(pressed(1));
    expect(text).toContain(`Open · step 2 of ${plan.steps.length}`);
    expect(text).toContain('Take out 2 outside screws');
    expect(text).toContain('five-lobe P2 take it up');
    expect(text).toContain('bottom edge, left 6.7 mm');
    expect(text).toContain('Because it holds the display.');
    expect(text).toContain('Then: warm the display on the hot plate.');
  });
  test('while it warms, counts down and offers to take it off early', () => {
    const b = pressed(4);
    expect(draw(b)).toMatch(
      /Warm the display on the hot plate Take it off by \d:\d0: about \d seals of ten are soft by then, solvent opens the rest .*\d:\d\d Taken off early/,
    );
  });
  test('a screw of the wrong length is told at once, with what it would do', () => {
    const b = pressed(11);
    expect(instruct(b.context, b.state, { at: b.at, clockKnown: true })).toMatchObject({
      kind: 'do',
      target: 'B1',
    });
    expect(draw(b, 2.4)).toContain('2.4 here, this hole takes 1.2: it would reach what lies below');
    expect(draw(b, 1.25)).toContain('1.25 mm: right for B1');
  });
});

describe('large and two-sided devices', () => {
  test('the back is drawn as it lies: what the model has on its left is on the right', () => {
    const ix = indexed(dune3);
    const state = { ...new Bench(ix, undefined).open().state, pose: { back: 'folded' as const } };
    const svg = renderToStaticMarkup(
      <DeviceMap index={ix} state={state} lit={[]} now={undefined} showNoGo={false} face="back" />,
    );
    const cover = dune3.slots.find((x) => x.id === 'back-cover')!;
    expect(svg).toContain(
      `<title>${cover.name}</title><rect x="${dune3.outline.widthMm - cover.shape.x - cover.shape.w}"`,
    );
    expect(svg).not.toContain('rear cameras');
    expect(svg).toContain('aria-label="Map of the Dune 3, back, back open"');
  });
  test('what sits on a loose display is drawn on it, screws and all', () => {
    const ix = indexed(mica4);
    const state = { ...new Bench(ix, undefined).open().state, pose: { display: 'folded' as const } };
    const svg = renderToStaticMarkup(
      <DeviceMap index={ix} state={state} lit={['home-key']} now="N1" showNoGo={false} />,
    );
    for (const n of ['home key', 'ear speaker', 'screw N1, 1.6 mm'])
      expect(svg).toContain(`<title>${n}</title>`);
  });
});
