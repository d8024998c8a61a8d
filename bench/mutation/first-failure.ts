import fc from 'fast-check';

// A change is noticed by the first failure: no smaller counterexample is looked for.
fc.configureGlobal({ endOnFailure: true });
