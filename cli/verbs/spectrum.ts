import { z } from 'zod';
import { spectrumOf } from '../../core/signals/spectrum';
import { verb } from '../verb';

const schema = z.strictObject({
  sampleRateHz: z.number().min(100).max(1e6),
  samples: z.array(z.number().min(-1).max(1)).min(16).max(10_000_000),
});
export const spectrum = verb({
  says: 'how loud a recording is, its strongest line with its distortion, and its level by third octaves',
  schema,
  run: ({ sampleRateHz, samples }) => ({ answer: spectrumOf(samples, sampleRateHz) }),
});
