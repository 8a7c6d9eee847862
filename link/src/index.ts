export { longestWord, mostEach, protocolVersion, type ToDesk, type ToHead } from './messages';
export { addressOf, fromBytes, type Heard, type Session, toBytes, type Unheard } from './wire';
export { type Counters, hear, noneHeard } from './counting';
export { blinksOf, freshKeyPair, type KeyPair, sharedKey } from './keys';
