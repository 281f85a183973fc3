<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use function preg_match;
use function trim;

/**
 * Tells the rows under a table that sum it up from its shots. A row is one only if the cell that names it, its shot number or
 * setup, is a word such as "average", whole, in one of the languages that monitors speak; a name or a note that begins with "Max"
 * makes none.
 */
final class SummaryRow
{
    /** English, German, French, Spanish, Italian, Dutch. */
    private const WORD = '/^(avg|averages?|means?|std|std\.? ?dev|st\.? ?dev|sd|dev|deviation|standard deviation|min|minimum|max|maximum'
        .'|median|sum|totals?|consistency|variance|spread|range'
        .'|durchschnitt|mittelwert|mittel|standardabweichung|std\.? ?abw|abweichung|streuung|summe|gesamt|schnitt'
        .'|moyenne|moy|médiane|mediane|écart[ -]type|ecart[ -]type|somme'
        .'|media|promedio|mediana|desviaci[oó]n( est[aá]ndar| t[ií]pica)?|m[ií]nimo|m[aá]ximo|suma'
        .'|deviazione( standard)?|minimo|massimo|somma|totale'
        .'|gemiddelde|gem|mediaan|standaardafwijking|afwijking|som|totaal|σ|ø|x̄)[.:]?$/iu';

    /** A header that numbers the shots. */
    private const NUMBERS = '/^(shot|shots|stroke|#|no|nr|nº|num|number|n°|schlag|schlag ?nr|schuss|coup|coups|golpe|tiro|colpo|slag|swing|id|row)\W*(no|nr|number|#|id|name)?\W*$/iu';

    /** A header of names of people, or of words: what stands there says nothing of the row. */
    private const NAMES = '/player|golfer|name|spieler|joueur|jugador|giocatore|speler|note|comment|remark|bemerk|notiz|remarque|nota|opmerking/iu';

    /**
     * @param  list<string>  $cells
     * @param  list<string>  $header  empty where the file has none
     */
    public static function is(array $cells, array $header, ColumnMap $map): bool
    {
        foreach ($cells as $i => $cell) {
            if (self::names($i, trim((string) ($header[$i] ?? '')), $map->columns[$i]->measure ?? null)
                && preg_match(self::WORD, trim($cell)) === 1) {
                return true;
            }
        }

        return false;
    }

    /** Is this the cell that names its row? */
    private static function names(int $column, string $header, ?Measure $measure): bool
    {
        return $measure === Measure::SetupTag
            || ($header !== '' && preg_match(self::NUMBERS, $header) === 1)
            || ($column === 0 && $measure !== Measure::Note && preg_match(self::NAMES, $header) !== 1);
    }
}
