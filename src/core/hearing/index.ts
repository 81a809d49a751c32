/** What is asked of hearing, in one place, since it is also run on recordings that are not ours. */
export { aboutRecording, type AboutRecording } from './about';
export { couldBeHeard } from './audible';
export { findStrokes } from './find';
export type { HeardStroke } from './hearing';
export { learnKit, type Kit } from './kit';
export { LiveHearing } from './live';
