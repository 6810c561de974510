/** What a validator of FHIR that is not ours finds wrong with a document. */
import { Fhir } from 'fhir';

const validator = new Fhir();
export const errorsOf = (document: object): string[] =>
  validator
    .validate(document, { errorOnUnexpected: true })
    .messages.filter(({ severity }) => severity === 'error' || severity === 'fatal')
    .map(({ location, message }) => `${location}: ${message}`);
