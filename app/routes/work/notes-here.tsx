import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/work';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import type { JobPage } from '../../../core/wire/job-page';
import { thingName } from '../../../words/things';
import { Note } from '../../ui/note';

/** The things that a step is about: what was noted of one of them belongs here. */
export const thingsOf = (step: Step | undefined): string[] =>
  step ? [...new Set([...(step.about ? [step.about] : []), ...step.targets])] : [];

interface Said {
  key: string;
  text: string;
  who: string;
  finding: boolean;
  thing: string;
  here: boolean;
}

/** Notes and photographs of the things in hand, from this job and from earlier ones with this model: months later they are read here. */
export function NotesHere({
  index,
  state,
  step,
  page,
}: {
  index: IndexedModel;
  state: JobState;
  step: Step | undefined;
  page: JobPage;
}) {
  const { soon } = useFormats();
  const things = thingsOf(step);
  const own: Said[] = Object.entries(state.note)
    .filter(([, n]) => things.includes(n.thing))
    .map(([key, n]) => ({
      key,
      text: n.text,
      who: page.people[n.by] ?? '',
      finding: n.finding === true,
      thing: n.thing,
      here: true,
    }));
  const before: Said[] = page.modelNotes
    .filter((l) => !l.photo && things.includes(l.thing))
    .slice(0, 4)
    .map((modelNote) => ({
      key: `${modelNote.job} ${modelNote.event}`,
      text: modelNote.text,
      who: `${page.people[modelNote.by] ?? ''}, job ${modelNote.number}, ${soon(modelNote.at, page.now)}`,
      finding: modelNote.finding,
      thing: modelNote.thing,
      here: false,
    }));
  const photos = [
    ...Object.entries(state.photo)
      .filter(([, at]) => at.startsWith('@') && things.includes(at.slice(1)))
      .map(([id, at]) => ({ id, job: page.id, of: at.slice(1), from: wording.thisJob })),
    ...page.modelNotes
      .filter((l) => l.photo && things.includes(l.thing))
      .slice(0, 4)
      .map((l) => ({ id: l.photo!, job: l.job, of: l.thing, from: `job ${l.number}` })),
  ];
  if (!own.length && !before.length && !photos.length) return null;
  const named = (said: Said) =>
    said.thing === step?.about || things.length < 2 ? '' : `${thingName(index, said.thing)}: `;
  return (
    <Note role="region" className="below" aria-label={wording.notesHere}>
      {[...own, ...before].map((said) => (
        <p key={said.key}>
          <span className={said.finding ? 'strong' : ''}>{`${named(said)}${said.text}`}</span>{' '}
          <span className="small muted">{`${said.who}${said.finding ? wording.notAsTheModelSays : ''}`}</span>
        </p>
      ))}
      {photos.length > 0 && (
        <p className="row gap-6 top-4">
          {photos.map((p) => (
            <a key={p.id} href={`/jobs/${p.job}/photos/${p.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/jobs/${p.job}/photos/${p.id}`}
                alt={wording.ofThe(thingName(index, p.of), p.from)}
                title={p.from}
                height={64}
                className="thumb"
              />
            </a>
          ))}
        </p>
      )}
    </Note>
  );
}
