import { MediaQuery } from 'svelte/reactivity';

/** A phone held upright. */
export const phone = new MediaQuery('max-width: 700px');
