/** An address that nothing stands at: said in the workshop's look. */
export function loader() {
  throw new Response('There is no such page.', { status: 404, statusText: 'There is no such page' });
}
export default function Nowhere() {
  return null;
}
