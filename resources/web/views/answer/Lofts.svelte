<script lang="ts">
    import type { Fitting } from '../../api/generated/types';
    import LoftLadder from '../../parts/LoftLadder.svelte';
    import Questions from './Questions.svelte';
    import Speeds from './Speeds.svelte';
    import Strikes from './Strikes.svelte';

    /** What this player’s shots say of other lofts, speeds and strikes; each is worked out when somebody opens it. */
    let { fitting }: { fitting: Fitting } = $props();
    const hit = $derived(fitting.setups.filter((s) => s.counted > 0).map((s) => s.tag));
</script>

{#if hit.length}
    <Speeds {fitting} tags={hit} />
    <Strikes {fitting} tags={hit} />
{/if}
<LoftLadder {fitting} />
{#if hit.length}<Questions {fitting} />{/if}
