declare module 'midi-file' {
  export interface MidiEvent {
    deltaTime: number;
    type: string;
    channel?: number;
    noteNumber?: number;
    velocity?: number;
    controllerType?: number;
    value?: number;
    microsecondsPerBeat?: number;
    [more: string]: unknown;
  }
  export interface MidiData {
    header: {
      format: number;
      numTracks: number;
      ticksPerBeat?: number;
      framesPerSecond?: number;
      ticksPerFrame?: number;
    };
    tracks: MidiEvent[][];
  }
  export function parseMidi(bytes: ArrayLike<number>): MidiData;
  export function writeMidi(data: MidiData): number[];
}
