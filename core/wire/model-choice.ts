export interface ModelChoice {
  hash: string;
  name: string;
  maker: string;
  /** An invented one, to learn with. */
  practice: boolean;
  variants: { id: string; name: string }[];
  shortList: string[];
  outline: { widthMm: number; heightMm: number; cornerMm: number };
  parts: { id: string; name: string; kind: string }[];
}
