<script lang="ts">
    import type {
        CalculatedFlight,
        CalculatedPlane,
        CalculatedSwing,
        CalculatedWeights,
        CalculatedWindow,
        CalculatedWorth,
        Hand,
        LengthBalance,
        UnitChoice,
    } from '../../api/generated/types';
    import FlightPaths from '../../charts/FlightPaths.svelte';
    import SetupPlane from '../../charts/SetupPlane.svelte';
    import { faceWords, factor, figure, plain, signed } from '../../format/units';
    import Scroll from '../../parts/Scroll.svelte';
    import Balances from './Balances.svelte';
    import type { Kind } from './specs';
    import { outOfText, worthText } from './sentences';

    /** What comes out of a calculator, as a person reads it. */
    let { kind, answer, units, hand }: { kind: Kind; answer: unknown; units: UnitChoice; hand: Hand } = $props();
    const k = $derived(factor(units.distance));
    const d = $derived(units.distance);
    const drawn = (f: CalculatedFlight) => [
        {
            tag: 'A',
            path: {
                points: f.points.map(([, along, right, up]): [number, number, number] => [along, up, right]),
                carryM: f.carryM,
                apexM: f.apexM,
            },
        },
    ];
</script>

{#if kind === 'flight'}
    {@const f = answer as CalculatedFlight}
    {#if !f.outOf}
        <p class="big">
            {plain(f.carryM * k, 0)}
            {d} of carry, {plain(f.totalM * k, 0)} in total
        </p>
    {:else}
        <p>
            Perhaps {plain(f.carryM * k, 0)}
            {d} of carry. <b>No figure to fit by</b>: {outOfText(f.outOf, units)}.
        </p>
    {/if}
    <p>
        It rises to {figure('apexM', f.apexM, units)}
        {units.height} and comes down at {plain(f.descentDeg, 0)}° after {plain(f.hangTimeS, 1)} s. It lands {Math.abs(f.sideM * k) < 0.5
            ? 'on the line'
            : `${figure('sideM', f.sideM, units)} of the line, in ${d}`}; it runs {plain(f.runM * k, 0)}
        {d}, the roughest figure here.
    </p>
    <FlightPaths setups={drawn(f)} {units} alone />
{:else if kind === 'window'}
    {@const w = answer as CalculatedWindow}
    <p class="big">
        Deliver {plain(w.carry.dynamicLoftDeg, 1)}° for the longest carry, {plain(w.total.dynamicLoftDeg, 1)}° for the longest total
    </p>
    <Scroll label="Lofts for this speed and attack">
        <table>
            <thead><tr><th></th><th>For carry</th><th>For total</th></tr></thead>
            <tbody>
                {#each [['Delivered loft', (o: typeof w.carry) => `${plain(o.dynamicLoftDeg, 1)}°`], ['within 1 %', (o: typeof w.carry) => `${plain(o.loftBandDeg[0], 1)} to ${plain(o.loftBandDeg[1], 1)}°`], ['Launch', (o: typeof w.carry) => `${plain(o.launchDeg, 1)}° (${plain(o.launchBandDeg[0], 1)} to ${plain(o.launchBandDeg[1], 1)})`], ['Spin', (o: typeof w.carry) => `${plain(o.spinRpm, 0)} rpm (${plain(o.spinBandRpm[0], 0)} to ${plain(o.spinBandRpm[1], 0)})`], ['Carry', (o: typeof w.carry) => `${plain(o.carryM * k, 0)} ${d}`], ['Total', (o: typeof w.carry) => `${plain(o.totalM * k, 0)} ${d}`], ['Apex', (o: typeof w.carry) => `${figure('apexM', o.apexM, units)} ${units.height}`]] as [name, say] (name)}
                    <tr
                        ><td>{name}</td><td>{(say as (o: typeof w.carry) => string)(w.carry)}</td><td
                            >{(say as (o: typeof w.carry) => string)(w.total)}</td
                        ></tr
                    >
                {/each}
            </tbody>
        </table>
    </Scroll>
    <p class="small">Struck in the middle of a typical head. Anything between the two lines is good: it costs 1 % at most.</p>
{:else if kind === 'worth'}
    {@const w = answer as CalculatedWorth}
    <p>
        At {plain(w.dynamicLoftDeg, 1)}° of delivered loft the ball leaves at {figure('ballSpeedMps', w.base.ballSpeedMps, units)}
        {units.speed}, {plain(w.base.launchDeg, 1)}°, {plain(w.base.spinRpm, 0)} rpm and carries <b>{plain(w.base.carryM * k, 0)} {d}</b>, {plain(
            w.base.totalM * k,
            0,
        )} in total. One thing changed and all else the same:
    </p>
    <Scroll label="What each is worth">
        <table>
            <thead
                ><tr
                    ><th>Changed</th><th>Carry <small>{d}</small></th><th>Total <small>{d}</small></th><th
                        >Side, + right <small>{d}</small></th
                    ><th>Ball speed <small>{units.speed}</small></th><th>Launch °</th><th>Spin <small>rpm</small></th></tr
                ></thead
            >
            <tbody>
                {#each w.rows as r (`${r.what} ${r.by}`)}<tr
                        ><td>{worthText(r, units)}</td><td><b>{signed(r.carryM * k, 1)}</b></td><td>{signed(r.totalM * k, 1)}</td><td
                            >{signed(r.sideM * k, 1)}</td
                        ><td>{signed(r.ballSpeedMps * factor(units.speed), 1)}</td><td>{signed(r.launchDeg, 1)}</td><td
                            >{signed(r.spinRpm, 0)}</td
                        ></tr
                    >{/each}
            </tbody>
        </table>
    </Scroll>
    <p class="small">By the impact and flight models. Of a gram: the head’s mass, and the speed it usually takes.</p>
{:else if kind === 'plane'}
    {@const p = answer as CalculatedPlane}
    <SetupPlane plane={{ home: p.home, squaringShare: p.squares, soled: p.soled, squared: p.squared, mixed: p.mixed }} {hand} at={p.home} />
    <Scroll label="Every position">
        <table>
            <thead><tr><th>Position</th><th>Soled: face</th><th>Squared: loft</th><th>As mixed: loft, face</th><th>Lie</th></tr></thead>
            <tbody>
                {#each p.soled as s, i (s.label)}<tr
                        ><td>{s.label}{s.label === p.home ? ' (home)' : ''}</td><td>{faceWords(s.faceOpenDeg)}</td><td
                            >{plain(p.squared[i]!.loftDeg, 2)}°</td
                        ><td>{plain(p.mixed[i]!.loftDeg, 2)}°, {faceWords(p.mixed[i]!.faceOpenDeg)}</td><td>{plain(s.lieDeg, 1)}°</td></tr
                    >{/each}
            </tbody>
        </table>
    </Scroll>
    <p class="small">
        Exact rotations. Soled, the head keeps its loft and the face turns; squared, the face is turned back and loft changes.
    </p>
{:else if kind === 'weights'}
    {@const w = answer as CalculatedWeights}
    <p class="big">{plain(w.massG, 1)} g</p>
    <dl class="facts">
        <div>
            <dt>CG toward the toe</dt>
            <dd>{signed(w.cgToeMm, 1)} mm</dd>
        </div>
        <div>
            <dt>CG back from the face</dt>
            <dd>{plain(w.cgBackMm, 1)} mm</dd>
        </div>
        <div>
            <dt>CG up</dt>
            <dd>{signed(w.cgUpMm, 1)} mm</dd>
        </div>
        <div>
            <dt>Moment of inertia, upright axis</dt>
            <dd>{plain(w.inertiaGcm2[2]![2]!, 0)} g·cm²</dd>
        </div>
        <div>
            <dt>heel-toe axis</dt>
            <dd>{plain(w.inertiaGcm2[1]![1]!, 0)} g·cm²</dd>
        </div>
    </dl>
    {#each w.warnings ?? [] as warning (warning)}<p class="warn">{warning}</p>{/each}
    <p class="small">
        Masses as points in their slots; the empty head’s inertia is that of its kind (assumption). The governing body’s current text
        decides what conforms.
    </p>
{:else if kind === 'swing'}
    {@const s = answer as CalculatedSwing}
    <p class="big">{s.swingWeight}, {plain(s.totalG, 0)} g</p>
    <dl class="facts">
        <div>
            <dt>Shaft in the club</dt>
            <dd>{plain(s.shaftMassG, 1)} g, balance {plain(s.shaftBalanceFromButtMm, 0)} mm from the butt</dd>
        </div>
        <div>
            <dt>A gram at the head</dt>
            <dd>{signed(s.perHeadG, 2)} points</dd>
        </div>
        <div>
            <dt>A gram at the grip</dt>
            <dd>{signed(s.perGripG, 2)} points</dd>
        </div>
        <div>
            <dt>Half an inch longer at the butt</dt>
            <dd>{signed(s.perHalfInch, 1)} points</dd>
        </div>
    </dl>
    <p class="small">
        Moment about a point 14 in from the grip end; what is added to the shaft counts too. Common practice: 2 g at the head is one point,
        half an inch is three points.
    </p>
{:else}
    <Balances balance={answer as LengthBalance} lengthUnit={units.length} />
{/if}

<style>
    .big {
        font-size: var(--head);
        font-weight: 650;
        letter-spacing: -0.01em;
        line-height: 1.2;
    }
    .facts {
        max-width: 520px;
    }
</style>
