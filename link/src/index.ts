export { longestWord, mostEach, protocolVersion, type ToDesk, type ToHead } from './messages';
export { addressOf, fromBytes, greeting, type Heard, type Session, toBytes, type Unheard } from './wire';
export { type Counters, hear, noneHeard } from './counting';
export { challengeOf, codeOf, commitTo, freshKeyPair, freshNonce, type Half, type KeyPair, sharedKey } from './keys';
