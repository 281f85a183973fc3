/** The shot under the pointer, the same in every picture. */
export const hover = $state<{ shot: number | null }>({ shot: null });
