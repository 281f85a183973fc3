import type { Ledger } from '../../api/generated/types';
import { DRIVES } from '../../format/judged';
import { plain, signed } from '../../format/units';

const of14 = (share: number) => signed(share * DRIVES, 1);
const range = (i: { low: number; high: number }) => `likely ${of14(i.low)} to ${of14(i.high)}`;

/** Whether to trust the tool, in a sentence. */
export function trustText(ledger: Ledger): string {
    const { counts, bias } = ledger;
    if (!bias) {
        const left = 30 - counts.known;
        return `Too early to judge: ${counts.known} of ${counts.handedOver} clubs that were handed over have rounds. After 30 it is known whether the promises hold${left < 30 ? `; ${left} to go` : ''}.`;
    }
    const text = `${of14(bias.value)} fairways of fourteen against what was promised (${range(bias.interval)})`;
    if (ledger.verdict === 'too high')
        return `The promises are too high: ${text}. Take that off what you tell, and look at the heads below.`;
    if (ledger.verdict === 'too low') return `The promises are too low: ${text}. Players get more than they are told.`;
    return `The promises hold on average: ${text}.`;
}

export function countsText(ledger: Ledger): string {
    const c = ledger.counts;
    return `${c.kept} kept, ${c.broken} broken, ${c.notYet} still open; ${c.overruled} were chosen against the shots.`;
}

export function overruledText(ledger: Ledger): string {
    const o = ledger.overruled;
    if (!o) return '';
    const clear =
        o.interval.high < 0
            ? 'Overruling cost fairways'
            : o.interval.low > 0
              ? 'Overruling gained fairways'
              : 'Nobody can tell yet whether overruling helps';
    return `${clear}: ${of14(o.value)} of fourteen against what was advised (${range(o.interval)}, ${o.n} clubs).`;
}

export const headText = (h: Ledger['heads'][number]): string => `${of14(h.value)} of fourteen (${range(h.interval)}), ${h.n} clubs`;

export const tenths = (share: number): string => plain(share * 10, 1);
