<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use function mb_strtolower;
use function preg_match;
use function preg_replace;
use function strtr;
use function trim;

/** Column headers in German, French, Spanish, Italian and Dutch, as monitors and spreadsheets write them. English stands in `Measure`. */
final class HeaderWords
{
    private const LETTERS = [
        'ä' => 'ae', 'ö' => 'oe', 'ü' => 'ue', 'ß' => 'ss', 'à' => 'a', 'á' => 'a', 'â' => 'a', 'ã' => 'a', 'å' => 'a', 'ç' => 'c',
        'è' => 'e', 'é' => 'e', 'ê' => 'e', 'ë' => 'e', 'ì' => 'i', 'í' => 'i', 'î' => 'i', 'ï' => 'i', 'ñ' => 'n', 'ò' => 'o',
        'ó' => 'o', 'ô' => 'o', 'õ' => 'o', 'ù' => 'u', 'ú' => 'u', 'û' => 'u', 'œ' => 'oe', 'æ' => 'ae', 'ÿ' => 'y',
    ];

    /** Patterns over folded words; the first that matches wins, so what says more stands first. */
    private const ALIASES = [
        'schlaeger(kopf)?(geschwindigkeit|geschw|tempo)|kopfgeschwindigkeit|vitesse (de |du |de la )?(tete( de club)?|club)|velocidad (de |del |de la )?(cabeza( del palo)?|palo)|velocita (della |del |di )?(testa( del bastone)?|bastone)|club(kop)?snelheid' => 'clubSpeedMps',
        'ball(geschwindigkeit|geschw|tempo)|vitesse (de |de la )?balle|velocidad (de |de la )?(bola|pelota)|velocita (della |di )?(palla|pallina)|balsnelheid' => 'ballSpeedMps',
        'smash ?faktor|effizienz|facteur (de )?smash|efficacite|factor (de )?smash|eficiencia|fattore (di )?smash|efficienza|smash ?factor|efficientie' => 'smash',
        '(eintreff|angriffs|anstell)winkel|angle d attaque|angulo de ataque|angolo d(i)? ?attacco|aanvalshoek|invalshoek' => 'attackDeg',
        'schlagflaeche (zu|zur|zum) (schwungbahn|pfad|schwungpfad)|face (au |a |vers )?(chemin|trajectoire)|cara (a |con )?(la )?(trayectoria|camino)|faccia (a |al )?(percorso|traiettoria)|(club)?blad (tot|t o v) (club|swing)?pad' => 'faceToPathDeg',
        'schwung(bahn|pfad|weg)|schlaegerpfad|(chemin|trajectoire)( de| du)?( club)?|(trayectoria|camino)( del)?( palo)?|(percorso|traiettoria)( del)?( bastone)?|(club|swing)pad' => 'pathDeg',
        'schlagflaeche(nwinkel|nstellung)?|blatt(winkel|stellung)|schlaegerblatt|angle de (la )?face|angulo de (la )?cara|cara( del palo)?|angolo (della |di )?faccia|faccia( del bastone)?|clubblad(hoek)?|slagvlak(hoek)?|bladhoek' => 'faceDeg',
        'dynamischer loft|loft dynamique|loft dinamico|dynamische loft' => 'dynamicLoftDeg',
        '(abflug|start|abschlag)richtung|richtung|direction (de |du )?(depart|lancement|decollage)|direccion( de (salida|lanzamiento))?|direzione( di (lancio|partenza|volo))?|(lanceer|start|vertrek)richting|richting' => 'directionDeg',
        '(abflug|start|abschlag)winkel|angle de (lancement|decollage|depart|vol)|angulo de (lanzamiento|salida|despegue|vuelo)|angolo di (lancio|partenza|decollo|volo)|(lanceer|launch|vertrek|start)hoek' => 'launchDeg',
        '(rueck|rueckwaerts)(spin|drall)|retro ?spin|spin arriere|retroceso|(achterwaartse |rug)spin' => 'backSpinRpm',
        'seit(en|waerts)?(spin|drall)|spin lateral|spin laterale|zijspin|zijwaartse spin' => 'sideSpinRpm',
        '(spin|dreh)achse(nneigung)?|axe (de |du )?(spin|rotation)|inclinaison de l axe|eje (de |del )?(spin|giro|rotacion)|asse (di |dello )?(spin|rotazione)|spinas' => 'spinAxisDeg',
        '(gesamt|total)?spin(rate|zahl)?|drehrate|drall|(taux|vitesse) de (spin|rotation)|rotation|(tasa|velocidad) de (spin|giro)|giro|(velocita di )?rotazione|spin ?snelheid' => 'spinRpm',
        '(seite|abweichung) (gesamt|total)|(ecart|lateral) total|(desviacion|lateral) total|(deviazione|laterale) totale|(afwijking|zijwaarts) totaal' => 'totalSideM',
        'seite(nabweichung|nablage)?|seitliche abweichung|abweichung|ablage|ecart( lateral)?|lateral|deviation laterale|desviacion( lateral)?|laterale|deviazione( laterale)?|scarto( laterale)?|zijwaarts(e afwijking)?|afwijking|zijkant' => 'sideM',
        'kurve|kruemmung|courbe|courbure|curva|curvatura|kromming' => 'curveM',
        'carry (laenge|distanz|weite)|flug(laenge|weite|distanz)|portee|distance (de )?(vol|carry|portee)|distancia (de )?(vuelo|carry)|vuelo|distanza (di )?(volo|carry)|volo|(draag|carry|vlucht) ?afstand' => 'carryM',
        'gesamt(laenge|distanz|weite|strecke)?|distance totale|distancia total|distanza totale|totale|totaal|totale afstand' => 'totalM',
        '(flug|scheitel|gipfel)hoehe|scheitelpunkt|(max(imale)? )?hoehe|hauteur( max(imale|imum)?)?|apice|altura( max(ima)?)?|altezza( max| massima)?|(max(imale)? )?hoogte' => 'apexM',
        '(lande|auftreff|aufprall|abstiegs)winkel|angle (de |d )?(descente|atterrissage|chute)|angulo de (descenso|caida|aterrizaje)|angolo di (discesa|atterraggio|caduta|impatto)|(landings|daal)hoek' => 'descentDeg',
        'flug(zeit|dauer)|temps de vol|tiempo de vuelo|tempo di volo|(vlucht|hang)tijd' => 'hangTimeS',
        'zeit|uhrzeit|datum|heure|hora|fecha|ora|data|tijd' => 'hitAt',
        'schlaeger|einstellung|reglage|palo|ajuste|bastone|mazza|regolazione|stok|instelling' => 'setupTag',
        'notiz(en)?|bemerkung(en)?|remarques?|commentaires?|notas?|comentarios?|nota|commento|commenti|notities?|opmerking(en)?' => 'note',
    ];

    /** Words of a header in small letters without accents, one space between them. */
    public static function folded(string $words): string
    {
        return trim((string) preg_replace('/[^a-z]+/', ' ', strtr(mb_strtolower($words), self::LETTERS)));
    }

    /** @param  string  $folded  as `folded` gives it */
    public static function measure(string $folded): ?Measure
    {
        foreach (self::ALIASES as $pattern => $name) {
            if (preg_match("/^(?:{$pattern})$/", $folded) === 1) {
                return Measure::from($name);
            }
        }

        return null;
    }
}
