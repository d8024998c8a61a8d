export { findBindingCause } from './binding-cause';
export {
  beforeCauses,
  type CauseId,
  type ConfigurationCause,
  causeCatalogue,
  causeIds,
  configurationCauses,
  fetchingCauseId,
  isOpenEnd,
  loadCauses,
  openingCauseId,
  withoutHiddenCauses,
} from './catalogue';
export { type CauseGround, type GroundView, listGrounds } from './grounds';
export type { PriorFacts, SupposedFault } from './types';
