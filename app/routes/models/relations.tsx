import { indexModel } from '../../../core/model/index-model';
import type { LibraryModel } from '../../../core/wire/library';
import * as wording from '../../../words/screens/models';
import { thingName } from '../../../words/things';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';

/** What has to be off before a part comes off, way by way, and how sure that is. */
export function Relations({
  model,
  grades,
  picked,
  onPick,
}: {
  model: LibraryModel['model'];
  grades: LibraryModel['grades'];
  picked: string | undefined;
  onPick: (id: string) => void;
}) {
  const slot = model.slots.find((s) => s.id === picked);
  const index = indexModel(model);
  const rows = slot ? grades.filter((need) => need.slot === slot.id) : [];
  const columns = [
    {
      title: wording.hasToBeOff,
      cell: (need: (typeof rows)[number]) => wording.needText(thingName(index, need.first), need.pose),
    },
    {
      title: wording.howSure,
      cell: (need: (typeof rows)[number]) => wording.gradeText[need.grade](need.jobs),
    },
  ];
  const wayOf = (id: string) => wording.wayNr((slot?.ways.findIndex((way) => way.id === id) ?? 0) + 1);
  return (
    <section className="card stack gap-8" aria-label={wording.relations}>
      <h2>{wording.relations}</h2>
      <Field label={wording.whichPart} htmlFor="relations-of">
        <Pick
          id="relations-of"
          placeholder={wording.partHint}
          value={slot?.id ?? null}
          onChange={(id) => id && onPick(id)}
          options={model.slots.map((s) => ({ value: s.id, label: s.name }))}
        />
      </Field>
      {slot && (
        <DataTable
          name={wording.relations}
          rows={rows}
          rowKey={(need) => need.key}
          empty={wording.nothingBefore}
          columns={
            slot.ways.length > 1
              ? [{ title: wording.way, cell: (need: (typeof rows)[number]) => wayOf(need.way) }, ...columns]
              : columns
          }
        />
      )}
    </section>
  );
}
