<script lang="ts">
    import type { UnitChoice } from '../api/generated/types';
    import GuardChart, { type Guarded } from '../charts/GuardChart.svelte';
    import { guardHead, guardRows, guardTitle } from '../format/guard';
    import { neverWords } from '../format/judged';
    import Picture from './Picture.svelte';

    let { setups, kind, units, says }: { setups: Guarded[]; kind: string; units: UnitChoice; says: string } = $props();
</script>

<Picture title={guardTitle(kind)} name="guard" head={guardHead(units)} rows={guardRows(setups, units)}>
    <GuardChart {setups} {units} what={neverWords(kind)} />
</Picture>
<p class="small">{says}</p>
