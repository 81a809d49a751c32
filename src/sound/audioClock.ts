import type { Ms } from '../core/time/units';

/** How many readings the offset is the median of: about a second of frames. */
const READINGS = 61;

/**
 * Carries times between the page's clock (`performance.now()`, an event's `timeStamp`) and what is
 * heard of the audio clock. The two run apart slowly and single readings jitter, so the offset is the
 * median of the last second's.
 */
export class AudioClock {
  private readonly offsets: Ms[] = [];

  constructor(
    private readonly context: Pick<
      AudioContext,
      'currentTime' | 'outputLatency' | 'baseLatency' | 'getOutputTimestamp'
    >,
  ) {}

  /** Takes a reading; to be called with each animation frame while sound runs. */
  read(now: Ms = performance.now()): void {
    this.offsets.push(this.offset(now));
    if (this.offsets.length > READINGS) this.offsets.shift();
  }

  /** The time of the audio clock, in milliseconds, that is heard at a time of the page's clock. */
  heardAt(pageMs: Ms): Ms {
    if (!this.offsets.length) this.read();
    const sorted = this.offsets.toSorted((a, b) => a - b);
    return pageMs + sorted[Math.floor(sorted.length / 2)]!;
  }

  /**
   * Audio minus page time. The output time stamp says which moment is leaving the loudspeaker; where a
   * browser does not give one, the reported latency is taken off what is being worked out.
   */
  private offset(now: Ms): Ms {
    const { contextTime, performanceTime } = this.context.getOutputTimestamp();
    if (contextTime && performanceTime) return contextTime * 1000 - performanceTime;
    const latency = this.context.outputLatency || this.context.baseLatency || 0;
    return (this.context.currentTime - latency) * 1000 - now;
  }
}
