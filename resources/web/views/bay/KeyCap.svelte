<script lang="ts" module>
    /** What stands on the keys that are told by their place, on this keyboard; as on an English one where nobody tells. */
    const caps = $state<Record<string, string>>({ Comma: ',', Period: '.' });
    interface Layouts {
        keyboard?: { getLayoutMap?: () => Promise<Map<string, string>> };
    }
    void (globalThis.navigator as Layouts | undefined)?.keyboard
        ?.getLayoutMap?.()
        .then((map) => {
            for (const code of Object.keys(caps)) caps[code] = map.get(code) ?? caps[code]!;
        })
        .catch(() => {});
    export const capOf = (name: string): string => caps[name] ?? name;
</script>

<script lang="ts">
    let { name }: { name: string } = $props();
</script>

<kbd aria-hidden="true">{capOf(name)}</kbd>

<style>
    kbd {
        border: 1px solid currentColor;
        border-radius: 5px;
        padding: 0 6px;
        font: inherit;
        font-size: 0.82em;
        font-weight: 600;
        white-space: nowrap;
    }
</style>
