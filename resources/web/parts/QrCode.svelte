<script lang="ts">
    // A square code as one path: drawn here, so that what it holds leaves this machine in no request.
    let { text, label }: { text: string; label: string } = $props();
    let size = $state(0);
    let path = $state('');

    $effect(() => {
        const wanted = text;
        void import('qrcode').then((qr) => {
            const { modules } = qr.create(wanted, { errorCorrectionLevel: 'M' });
            size = modules.size;
            path = Array.from(modules.data)
                .map((dark, i) => (dark ? `M${(i % modules.size) + 4} ${Math.floor(i / modules.size) + 4}h1v1h-1z` : ''))
                .join('');
        });
    });
</script>

{#if path}<svg viewBox="0 0 {size + 8} {size + 8}" role="img" aria-label={label}
        ><rect width={size + 8} height={size + 8} /><path d={path} /></svg
    >{/if}

<style>
    svg {
        width: 200px;
        height: 200px;
        border-radius: 6px;
    }
    rect {
        fill: #fff;
    }
    path {
        fill: #000;
        shape-rendering: crispEdges;
    }
</style>
