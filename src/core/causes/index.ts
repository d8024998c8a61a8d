export { findBindingCause } from './binding-cause';
export { type CauseId, causeCatalogue } from './catalogue';
