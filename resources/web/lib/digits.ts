/** The digit of a key, by what it writes or, without Shift, by its place: a French keyboard writes its digits with Shift. */
export function digitOf({ key, code, shiftKey }: Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey'>): string | undefined {
    if (/^\d$/.test(key)) return key;
    // The minus of a French keyboard lies on a digit.
    return shiftKey || key === '-' ? undefined : /^(?:Digit|Numpad)(\d)$/.exec(code)?.[1];
}
