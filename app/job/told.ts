/**
 * What an instrument does, as the server tells it: a line of JSON each, as they come.
 * @throws Error where the server does not answer
 */
export async function* toldBy<Line>(address: string, ask: object): AsyncGenerator<Line> {
  const res = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(ask),
  });
  if (!res.ok || !res.body) throw new Error(String(res.status));
  const reader = res.body.getReader();
  const decoder = new TextDecoder();
  let text = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    text += decoder.decode(value, { stream: true });
    for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n')) {
      yield JSON.parse(text.slice(0, i)) as Line;
      text = text.slice(i + 1);
    }
  }
}
