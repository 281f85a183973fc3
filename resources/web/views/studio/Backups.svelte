<script lang="ts">
    import { get } from '../../api/client';
    import type { DataState } from '../../api/generated/types';
    import { moment } from '../../format/times';
    import { plain } from '../../format/units';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';

    const reading = new Loader<DataState>();
    $effect(() => void reading.load(() => get<DataState>('data')));
    const newest = $derived(reading.value?.backups[0] ?? null);
    const hours = $derived(newest ? (Date.now() - Date.parse(newest.at)) / 3_600_000 : null);
    const size = (bytes: number) =>
        bytes > 1e9 ? `${plain(bytes / 1e9, 1)} GB` : bytes > 1e6 ? `${plain(bytes / 1e6, 1)} MB` : `${plain(bytes / 1e3, 0)} kB`;
</script>

{#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
{#if reading.value}
    {#if hours === null}<Notice
            >There is no backup yet. One is made every night at {reading.value.backupAt} UTC while Mint Carry is served with --serve; bin/backup
            makes one now.</Notice
        >
    {:else if hours > 36}<Notice kind="error"
            >The newest backup is {plain(hours / 24, 1)} days old. One is due every night: look at the server’s log.</Notice
        >
    {:else}<Notice kind="good">The newest backup is {plain(hours, 0)} hours old, was loaded again and found the same.</Notice>{/if}
    {#if reading.value.backups.length}
        <Scroll label="Backups"
            ><table>
                <thead
                    ><tr><th>Made</th><th class="words">Why</th><th>Rows</th><th>Size</th><th>Took</th><th class="words">Checked</th></tr
                    ></thead
                >
                <tbody
                    >{#each reading.value.backups as b (b.name)}<tr
                            ><td>{moment(b.at)}</td><td class="words">{b.label.replaceAll('-', ' ')}</td><td
                                >{b.rows.toLocaleString('en')}</td
                            ><td>{size(b.bytes)}</td><td>{b.seconds} s</td><td class="words"
                                >{b.verified ? 'loaded again, the same' : 'not checked'}</td
                            ></tr
                        >{/each}</tbody
                >
            </table></Scroll
        >
    {/if}
    <p class="small">
        Kept for {reading.value.keepDays} days in the folder “{reading.value.backupsTo}” of the server. A copy on another machine and the
        key apart from it: docs/operations.md. {reading.value.erased} player{reading.value.erased === 1 ? ' was' : 's were'} erased so far; they
        stay erased when an older backup comes back.
    </p>
{:else if !reading.problem}<Outline what="Opening …" blocks={['table']} />{/if}

<style>
    .words {
        text-align: left;
    }
</style>
