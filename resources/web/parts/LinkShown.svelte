<script lang="ts">
    import type { LinkShown } from '../api/generated/types';

    // A link that opens once. It is shown here and nowhere again.
    let { link }: { link: LinkShown } = $props();
    const address = $derived(`${location.origin}${link.path}`);
    let copied = $state(false);

    async function copy() {
        await navigator.clipboard?.writeText(address);
        copied = true;
    }
</script>

<div class="link" role="status">
    <p>
        <b>{link.person.name}</b>: this link opens once, within {link.hours} hours, and is shown only now.{link.mailed
            ? ' It was sent by mail, too.'
            : ' Give it to them in a way that nobody else reads.'}
    </p>
    <code>{address}</code>
    <div><button class="quiet" onclick={copy}>{copied ? 'Copied' : 'Copy the link'}</button></div>
</div>

<style>
    .link {
        display: grid;
        gap: 8px;
        padding: 12px 14px;
        border-radius: 8px;
        background: var(--mint-wash);
        border-left: 4px solid var(--mint);
    }
    code {
        overflow-wrap: anywhere;
        font-size: var(--small);
    }
</style>
