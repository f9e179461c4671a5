export const job = (maker: string, name: string, text: string, number: number): string =>
  `${maker} ${name} · ${text} · job ${number}`;
export const anotherBench = 'Another bench';
