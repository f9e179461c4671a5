import { Button } from 'antd';
import { allIds } from '../../../../core/model/editing';
import type { ModelProblem } from '../../../../core/model/check-model';
import * as wording from '../../../../words/screens/edit-model';
import type { Editor } from './use-editor';
import type { ModelCheck } from './use-model-check';

const lists = ['slots', 'fasteners', 'connectors', 'bonds', 'catches'] as const;
/** The thing that a problem is about, by its path: `slots[3].ways[0]` or `variants(standard).fasteners(S4)`. */
function thingOfPath(editor: Pick<Editor, 'whole' | 'index'>, { path }: ModelProblem): string | undefined {
  const [, list, nr] = /(slots|fasteners|connectors|bonds|catches)\[(\d+)\]/.exec(path) ?? [];
  if (list) return editor.whole[list as (typeof lists)[number]][Number(nr)]?.id;
  const [, id] = /(?:slots|fasteners|connectors|bonds|catches)\(([^)]+)\)/.exec(path) ?? [];
  return id && allIds(editor.index).includes(id) ? id : undefined;
}
/** Each problem once, whatever variants have it, under the name of the thing that it is about. */
function said(editor: Editor, problems: readonly ModelProblem[]) {
  const lines = problems.map((problem) => {
    const id = thingOfPath(editor, problem);
    const about = id ?? problem.path.replace(/^variants\([^)]*\)\.?/, '');
    return { id, about, text: problem.text };
  });
  return [...new Map(lines.map((line) => [`${line.about} ${line.text}`, line])).values()];
}
const most = 12;
/** What is wrong with the model as it stands, each with the way to its place. */
export function Problems({
  editor,
  check,
  onGo,
}: {
  editor: Editor;
  check: ModelCheck;
  onGo: (id: string) => void;
}) {
  const { problems, whole } = check;
  const lines = said(editor, problems);
  return (
    <section className="card stack gap-8" aria-label={wording.problems}>
      <h2>{lines.length ? `${wording.problems} (${lines.length})` : wording.problems}</h2>
      {!lines.length && (
        <p className="small m-0 moss" data-testid="no-problems">
          {whole ? wording.noProblems : wording.noProblemsYet}
        </p>
      )}
      <ul className="list">
        {lines.slice(0, most).map(({ id, about, text }) => (
          <li key={`${about} ${text}`} className="row small">
            <span className="fill">
              <strong>{about}</strong> {text}
            </span>
            {id && <Button onClick={() => onGo(id)}>{wording.show}</Button>}
          </li>
        ))}
      </ul>
    </section>
  );
}
