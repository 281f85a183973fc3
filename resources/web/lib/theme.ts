/** Light or dark as the system has it, until somebody chooses; kept on this device. */
const KEY = 'theme';
const system = matchMedia('(prefers-color-scheme: dark)');

export const isDark = (): boolean => document.documentElement.dataset.theme === 'dark';

export function setDark(dark: boolean): void {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    localStorage.setItem(KEY, dark ? 'dark' : 'light');
}

export function followTheme(): void {
    const apply = () => {
        const saved = localStorage.getItem(KEY);
        document.documentElement.dataset.theme = saved === 'dark' || saved === 'light' ? saved : system.matches ? 'dark' : 'light';
    };
    system.addEventListener('change', apply);
    apply();
}
