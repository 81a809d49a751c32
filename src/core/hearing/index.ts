/** What is asked of hearing, in one place, since it is also run on recordings that are not ours. */
export { recordingQuality, type AboutRecording } from './take/recordingQuality';
export { isAudible } from './take/audible';
export { findStrokes } from './take/find';
export type { HeardStroke } from './take/hearing';
export { learnKit, type Kit } from './kit/kit';
export { LiveHearing } from './take/live';
