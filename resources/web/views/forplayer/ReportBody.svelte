<script lang="ts">
    import type { ReportPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';

    // The report as the player reads it, on a phone and on the fitter's screen: what it comes to, how it flies, the club.
    let { report, words }: { report: ReportPage; words: Words } = $props();
    const say = $derived(words.say);
    const drawn = (svg: string) => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;
</script>

<article>
    <div>
        <h1>{report.title}</h1>
        <p class="small">{report.fitted}</p>
    </div>
    <p class="lead">{report.lead}</p>
    {#if report.isMadeUp}<p class="small">{say('report.madeUp')}</p>{/if}
    <figure>
        <figcaption>{say('report.flights')}</figcaption>
        <img src={drawn(report.pictures.flights)} alt="{say('report.flights')}: {report.lead}" />
    </figure>
    <figure>
        <figcaption>{say('report.fourteen')}</figcaption>
        <img src={drawn(report.pictures.fourteen)} alt="{say('report.fourteen')}: {report.lead}" />
        <p class="small">● {say('report.fairway')} ○ {say('report.rough')} <span class="cross">×</span> {say('report.troubleDot')}</p>
    </figure>
    {#if report.flight.length}<dl class="flight">
            {#each report.flight as f (f.name)}<div>
                    <dt>{f.name}</dt>
                    <dd>{f.now} <span class="small">{say('report.before')} {f.before} · {f.wanted}</span></dd>
                </div>{/each}
        </dl>{/if}
    <div class="three">
        {#each report.three as one (one.big)}
            <p><b class="big">{one.big}</b> <span class="small">{one.small}</span><br />{one.text}</p>
        {/each}
    </div>
    {#if report.gaveUp}<p>{report.gaveUp}</p>{/if}
    {#if report.ratings}<p>{report.ratings}</p>{/if}
    {#if report.reason}<p>{report.reason}</p>{/if}
    <div class="two">
        <figure>
            <figcaption>{say('report.where')}</figcaption>
            <img src={drawn(report.pictures.landing)} alt={say('report.where')} />
        </figure>
        <div>
            <figure>
                <figcaption>{say('report.club')}</figcaption>
                <img src={drawn(report.pictures.club)} alt={say('report.club')} />
            </figure>
            <dl>
                {#each report.club as [name, value] (name)}<div>
                        <dt>{name}</dt>
                        <dd>{value}</dd>
                    </div>{/each}
            </dl>
        </div>
    </div>
    <p class="small">{say('report.rules')} {report.air}</p>
</article>

<style>
    article {
        container-type: inline-size;
        display: grid;
        gap: 16px;
    }
    .lead {
        font-size: 20px;
        line-height: 1.35;
    }
    figure {
        display: grid;
        gap: 4px;
    }
    figcaption {
        font-weight: 650;
    }
    img {
        width: 100%;
        height: auto;
        align-self: start;
        background: #fffdf7;
        border-radius: 8px;
        padding: 6px;
    }
    .big {
        font-size: 26px;
    }
    .cross {
        color: var(--brick);
    }
    dl div {
        display: grid;
        grid-template-columns: 110px minmax(0, 1fr);
        gap: 10px;
        padding: 5px 0;
        border-top: 1px solid var(--hair);
    }
    dt {
        color: var(--ink-2);
    }
    dd {
        font-weight: 560;
    }
    .three,
    .two,
    .two > div {
        display: grid;
        gap: 16px;
        align-content: start;
    }
    /* As wide as paper, it is laid out as on paper. */
    @container (min-width: 600px) {
        .three {
            grid-template-columns: repeat(3, minmax(0, 1fr));
            gap: 24px;
            border-top: 1px solid var(--hair);
            padding-top: 12px;
        }
        .two {
            grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
            gap: 24px;
        }
        .flight {
            display: grid;
            grid-template-columns: 1fr 1fr;
            gap: 0 24px;
        }
    }
</style>
