<script lang="ts" module>
    // Our own lines on a field of 20 by 20.
    const LINES = {
        menu: 'M3 6h14M3 10h14M3 14h14',
        lock: 'M5 9.5h10v7H5zM7 9.5V6.5a3 3 0 0 1 6 0v3',
        hit: 'M10 3v9M6.5 8.5 10 12l3.5-3.5M6 16.5h8',
        more: 'M10 4v12M4 10h12',
        files: 'M5 3h7l3 3v11H5zM12 3v3h3M8 10h4M8 13h4',
        print: 'M6 8V3h8v5M4 8h12v6h-2.5M4 8v6h2.5M6.5 12h7v5h-7z',
        share: 'M8 10.5 15 4M10.5 4H15v4.5M13 11v5.5H3.5V7H9',
        order: 'M3 5h2l2 8h8l2-6H6M8.5 16.5h.01M14 16.5h.01',
    };
    export type IconName = keyof typeof LINES;
</script>

<script lang="ts">
    let { name }: { name: IconName } = $props();
</script>

<svg viewBox="0 0 20 20" width="18" height="18" aria-hidden="true"><path d={LINES[name]} /></svg>

<style>
    svg {
        flex: none;
        vertical-align: -4px;
    }
    path {
        fill: none;
        stroke: currentColor;
        stroke-width: 1.6;
        stroke-linecap: round;
        stroke-linejoin: round;
    }
</style>
