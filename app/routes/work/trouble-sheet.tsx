import { useState } from 'react';
import type { Body } from '../../../core/job/events';
import { type JobState, newPiece, originalPiece } from '../../../core/job/state';
import { isHooked, isOn, isWhole, pieceInHole, pieceInSlot, poseOf } from '../../../core/job/view';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/route/types';
import { Sheet } from '../../ui/sheet';
import { pieceName, thingName } from '../../words/things';

interface Common { index: IndexedModel; state: JobState; onClose: () => void; onReport: (b: Body) => void }

/** Something is not as it should be: lost, found, torn, a piece too many, or in words. */
export function TroubleSheet({ index, state, step, target, onClose, onReport }: Common & { step: Step | undefined; target: string | undefined }) {
  const [note, setNote] = useState('');
  const loose = Object.keys(state.place).filter((p) => state.place[p]!.startsWith('mat/') || state.place[p] === 'tray');
  const current = target && index.fasteners.has(target) ? (pieceInHole(state, target) ?? originalPiece(target)) : undefined;
  const losable = [...new Set([...(current ? [current] : []), ...loose])].filter((p) => state.place[p] !== 'adrift');
  const adrift = Object.keys(state.place).filter((p) => state.place[p] === 'adrift');
  const strays = Object.keys(state.stray).filter((s) => state.stray[s] === 'inside');
  const masked = state.mask.tape === 'on';
  const strayId = `stray ${Object.keys(state.stray).length + 1}`;
  return (
    <Sheet title="Trouble" onClose={onClose}>
      {step?.action === 'release' && target && <div className="row"><button type="button" className="btn danger" onClick={() => onReport({ type: 'bondReleased', bond: target, torn: true })}>{`${thingName(index, target)} tore`}</button><span className="muted">then alcohol along the edge, 30 to 60 s, and a wide card; never near heat</span></div>}
      {adrift.length > 0 && <div className="field"><span className="label">Found again</span><div className="row">{adrift.map((p) => <button key={p} type="button" className="btn" onClick={() => onReport({ type: 'found', piece: p })}>{`${pieceName(index, p)} is found`}</button>)}</div></div>}
      {losable.length > 0 && <div className="field"><label htmlFor="lost">Lost: which piece is not where it should be?</label><select id="lost" className="btn" value="" onChange={(e) => onReport({ type: 'lost', piece: e.target.value })}><option value="" disabled>choose…</option>{losable.map((p) => <option key={p} value={p}>{pieceName(index, p)}</option>)}</select></div>}
      {strays.map((s) => <div key={s} className="row"><button type="button" className="btn" onClick={() => onReport({ type: 'strayRemoved', stray: s, note: note.trim() || 'taken out' })}>{`${s} is out of the device`}</button></div>)}
      <div className="field"><label htmlFor="note">In words</label><textarea id="note" rows={2} maxLength={4000} value={note} onChange={(e) => setNote(e.target.value)} style={{ font: 'inherit', padding: 10, borderRadius: 8 }} /></div>
      <div className="row">
        <button type="button" className="btn" disabled={!note.trim()} onClick={() => onReport({ type: 'noted', text: note.trim() })}>Keep as a note</button>
        <button type="button" className="btn" disabled={!note.trim()} onClick={() => onReport({ type: 'strayFound', stray: strayId, note: note.trim().slice(0, 300) })}>A loose piece is inside that is not this device’s</button>
        {step?.action === 'apply seal' && <button type="button" className="btn" disabled={!note.trim()} onClick={() => onReport({ type: 'leftUnsealed', reason: note.trim().slice(0, 1000) })}>The seal is left off on purpose, for this reason</button>}
        {masked ? <button type="button" className="btn" onClick={() => onReport({ type: 'maskOff', mask: 'tape' })}>Masking tape is off again</button> : <button type="button" className="btn" onClick={() => onReport({ type: 'maskOn', mask: 'tape' })}>Masking tape is on</button>}
        <button type="button" className="btn" onClick={() => onReport({ type: 'conditionSet', condition: 'swollen', because: 'seen at the bench' })}>The cell is swollen</button>
      </div>
    </Sheet>
  );
}

/** What can be reported of one thing on the map, in whatever order it happened: facts are always taken. */
export function ThingSheet({ index, state, id, onClose, onReport }: Common & { id: string }) {
  const options: [string, Body][] = [];
  if (index.fasteners.has(id)) {
    const own = Object.keys(state.place).find((p) => state.place[p] === `mat/${id}`) ?? originalPiece(id);
    const inside = pieceInHole(state, id);
    if (inside) options.push([`${id} is out`, { type: 'screwOut', fastener: id, piece: inside }]);
    else { options.push([`${id} is in`, { type: 'screwIn', fastener: id, piece: own }]); options.push([`another screw is in ${id}`, { type: 'screwIn', fastener: id, piece: newPiece(id) }]); }
    if (state.place[own] !== 'adrift') options.push([`${id} is lost`, { type: 'lost', piece: inside ?? own }]);
  } else if (index.connectors.has(id)) options.push(isOn(state, id) ? ['it is off', { type: 'connectorOff', connector: id }] : ['it is on', { type: 'connectorOn', connector: id }]);
  else if (index.bonds.has(id)) { if (isWhole(state, id)) options.push(['it came away whole', { type: 'bondReleased', bond: id, torn: false }], ['it tore', { type: 'bondReleased', bond: id, torn: true }]); else options.push(['it is renewed', { type: 'bondRenewed', bond: id }]); }
  else if (index.catches.has(id)) options.push(isHooked(state, id) ? ['it is free', { type: 'catchFreed', catch: id }] : ['it is hooked', { type: 'catchHooked', catch: id }]);
  else if (index.slots.has(id)) {
    const here = pieceInSlot(state, id);
    const loose = Object.keys(state.place).find((p) => p.startsWith(`${id}#`) && state.place[p] === 'tray');
    for (const w of index.slots.get(id)!.ways) if (here && poseOf(state, id) !== w.to) options.push([w.to === 'out' ? 'it is out' : `it is ${w.to}`, { type: 'pieceMoved', slot: id, pose: w.to }]);
    if (!here && loose) options.push(['it is back', { type: 'pieceFitted', slot: id, piece: loose, pose: 'in' }]);
    if (here && poseOf(state, id) !== 'in') options.push(['it is back in place', { type: 'pieceFitted', slot: id, piece: here, pose: 'in' }]);
  }
  const f = index.fasteners.get(id);
  return (
    <Sheet title={thingName(index, id)} onClose={onClose}>
      {f && <p className="muted">{`${f.name}, ${f.drive}, ${f.lengthMm} mm, holds the ${f.holds.map((h) => thingName(index, h)).join(' and the ')}`}</p>}
      <p>Report what has happened, also out of order: it is a fact and is recorded.</p>
      <div className="row">{options.map(([label, body]) => <button key={label} type="button" className="btn" onClick={() => onReport(body)}>{label}</button>)}{options.length === 0 && <span className="muted">Nothing to report for it.</span>}</div>
    </Sheet>
  );
}
