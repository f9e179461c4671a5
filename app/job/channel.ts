/**
 * What the tabs of one browser tell each other, and what the server tells them. One tab leads: it holds the event
 * stream and passes on what comes; when it closes, another takes over by itself (Web Locks).
 */
export type Message =
  | { type: 'changed'; job: string; seq: number }
  | { type: 'resync' }
  | { type: 'online'; online: boolean }
  | { type: 'kept' }
  | { type: 'settled'; job: string }
  /** The bench is locked, or open again; somebody is at it. */
  | { type: 'locked' }
  | { type: 'unlocked'; name: string }
  | { type: 'touched' };
type Listener = (m: Message) => void;

const listeners = new Set<Listener>();
let channel: BroadcastChannel | undefined;
let started = false;

export function listen(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
/** Tells this tab and all others. */
export function tell(message: Message): void {
  for (const listener of listeners) listener(message);
  channel?.postMessage(message);
}

/** Starts listening, once for each tab. */
export function startChannel(): void {
  if (started) return;
  started = true;
  channel = new BroadcastChannel('snavek');
  channel.onmessage = (messageEvent: MessageEvent<Message>) => {
    for (const listener of listeners) listener(messageEvent.data);
  };
  const lead = () =>
    new Promise<void>(() => {
      let source: EventSource | undefined;
      let retryMs = 500;
      const open = () => {
        source = new EventSource('/live');
        source.addEventListener('change', (messageEvent) =>
          tell({
            type: 'changed',
            ...(JSON.parse((messageEvent as MessageEvent<string>).data) as { job: string; seq: number }),
          }),
        );
        source.addEventListener('hello', () => {
          retryMs = 500;
          tell({ type: 'online', online: true });
          tell({ type: 'resync' });
        });
        source.addEventListener('resync', () => tell({ type: 'resync' }));
        source.onerror = () => {
          tell({ type: 'online', online: false });
          // a stream that the server refused is closed for good by the browser: open another one
          if (source?.readyState === EventSource.CLOSED) {
            setTimeout(open, retryMs);
            retryMs = Math.min(retryMs * 2, 5000);
          }
        };
      };
      open();
    });
  if (navigator.locks) void navigator.locks.request('snavek-live', lead);
  else void lead();
}
