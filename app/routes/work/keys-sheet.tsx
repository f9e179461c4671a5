import { Sheet } from '../../ui/sheet';

const keys: [string, string][] = [
  ['Space, Page Down, Enter', 'the next thing is done (foot pedal: Page Down)'], ['Backspace', 'take back the latest entry, if it is yours'], ['1 – 9', 'change device'], ['T', 'trouble: lost, found, torn, something else'], ['?', 'these keys'], ['/', 'search, on Jobs'],
  ['calliper, scanner', 'what they type is a measurement or a code, never a shortcut'],
];
export function KeysSheet({ onClose }: { onClose: () => void }) {
  return <Sheet title="Keys" onClose={onClose}><table className="tbl"><tbody>{keys.map(([k, t]) => <tr key={k}><td className="nowrap"><kbd>{k}</kbd></td><td>{t}</td></tr>)}</tbody></table></Sheet>;
}
