import { useFormats } from '../../ui/formats';
import { Button, Checkbox, Form, Input } from 'antd';
import { backupFields } from '../../../forms/workshop-fields';
import type { TaskLine } from '../../../core/wire/background';
import type { ShopSettings } from '../../../core/wire/who';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { ruleOf, typedNumber, useServerErrors } from '../../ui/zod-form';
import { isGoing, TaskNote } from './task-note';
import type { BackupFile } from '../../../core/wire/backup-file';
import * as wording from '../../../words/screens/workshop';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';
import { Kept, useChange } from './use-change';

/** Younger than this a backup is one to rely on, ms. */
const freshMs = 36 * 3_600_000;

/** What has been saved of the workshop, and saving it now. */
export function Backup({
  files,
  tasks,
  settings,
  now,
}: {
  files: BackupFile[];
  tasks: TaskLine[];
  settings: ShopSettings;
  now: number;
}) {
  const { soon } = useFormats();
  const { change, busy, said } = useChange();
  const [latest] = files;
  return (
    <section className="card stack gap-8" id="backup">
      <div className="spread">
        <h2>{wording.backup}</h2>
        <Kept said={said} />
      </div>
      {(!latest || now - latest.madeAt > freshMs) && (
        <Note tone="warn">{latest ? wording.backupOld(soon(latest.madeAt, now)) : wording.backupNone}</Note>
      )}
      {latest && (
        <DataTable
          name={wording.backup}
          rows={files.slice(0, 5)}
          rowKey={(file) => file.name}
          bare
          columns={[
            {
              title: wording.made,
              cell: (file) => <span suppressHydrationWarning>{soon(file.madeAt, now)}</span>,
            },
            { title: wording.size, align: 'right', cell: (file) => wording.inMb(file.bytes) },
            {
              title: '',
              align: 'right',
              cell: (file) => (
                <Button href={`/backups/${file.name}`} aria-label={wording.downloadOf(file.name)}>
                  {wording.download}
                </Button>
              ),
            },
          ]}
        />
      )}
      <div className="row">
        <Button loading={busy || tasks.some(isGoing)} onClick={() => change({ do: 'back up' })}>
          {wording.backUpNow}
        </Button>
      </div>
      {tasks[0] && <TaskNote task={tasks[0]} />}
      <Daily settings={settings} />
      <p className="muted small">{wording.backupMeans}</p>
    </section>
  );
}

const hours = Array.from({ length: 24 }, (_, hour) => ({ value: hour, label: `${hour}:00` }));
/** That it is done by itself, when, and for how long it is kept. */
function Daily({ settings: { backups } }: { settings: ShopSettings }) {
  const [form] = Form.useForm<{ daily: boolean; hour: number; keepDays: string }>();
  const { change, busy, said, errors } = useChange();
  useServerErrors(form, errors);
  return (
    <Form
      form={form}
      layout="vertical"
      className="stack gap-4"
      initialValues={{
        daily: backups?.daily ?? false,
        hour: backups?.hour ?? 3,
        keepDays: String(backups?.keepDays ?? 14),
      }}
      onFinish={(typed) => change({ do: 'backups', ...typed, keepDays: typedNumber(typed.keepDays) })}
    >
      <Field name="daily" valuePropName="checked" label="">
        <Checkbox>{wording.backUpDaily}</Checkbox>
      </Field>
      <div className="fields kept-beside">
        <Field name="hour" htmlFor="backup-hour" label={wording.backupHour}>
          <Pick id="backup-hour" options={hours} />
        </Field>
        <Field
          name="keepDays"
          htmlFor="keep-days"
          label={wording.keepDays}
          rules={[ruleOf(backupFields.shape.keepDays, typedNumber)]}
        >
          <Input id="keep-days" inputMode="numeric" maxLength={4} />
        </Field>
        <Button htmlType="submit" loading={busy}>
          {wording.keep}
        </Button>
      </div>
      <Kept said={said} form={form} />
    </Form>
  );
}
