import { z } from 'zod';
import type { Outcome } from './outcome';

/**
 * A stand-in for the bench programmer that reads and writes the identity data of parts. It speaks SCPI lines like the
 * real one would, and can be told to fail as parts and programmers do. Everything it knows is made from a part's serial.
 */
export const partFaults = ['none', 'unreadable', 'wrong model', 'power', 'checksum', 'module'] as const;
export type PartFault = (typeof partFaults)[number];
export type ProgrammerFault =
  | 'no programmer'
  | 'no adapter'
  | 'unreadable'
  | 'wrong model'
  | 'power lost'
  | 'checksum'
  | 'differs';
export const identityAskSchema = z.strictObject({
  do: z.enum(['read', 'write']),
  command: z.string().min(8).max(60),
  slot: z.string().min(1).max(60),
  at: z.number().int().min(0),
  clockKnown: z.boolean(),
  /** How the stand-in behaves; a real programmer is not told. */
  simulate: z.enum(partFaults).default('none'),
});
export type IdentityAsk = z.input<typeof identityAskSchema>;
export type IdentityAnswer =
  | { ok: true; digest: string; serial: string; outcome: Outcome }
  | {
      ok: false;
      status: 200 | 400 | 404 | 409;
      fault: ProgrammerFault | 'not understood' | 'no such job' | 'nothing saved' | 'refused';
      said: string;
      outcome?: Outcome;
    };

/** What a test of a module said: its parts that fail. */
export type ModuleAnswer = { ok: true; fails: string[] } | { ok: false; said: string };
export const moduleAskSchema = z.strictObject({
  slot: z.string().min(1).max(60),
  /** After its substitute was fitted: the stand-in's module is sound then. */
  again: z.boolean(),
  command: z.string().min(8).max(60),
  at: z.number().int().min(0),
  clockKnown: z.boolean(),
});
export type ModuleAsk = z.input<typeof moduleAskSchema>;
