export { contactFields, guessMapping, readableFields, type ContactField, type ReadableField } from "./fields";
export { likelyFrom, likelySame, type LikelyPair, type NamedContact } from "./likely-same";
export { readContact, type ContactDraft, type ContactFault } from "./read-contact";
export { vcards } from "./vcard";
