<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * What to look up in the equipment rules. The limits are recalled, not current text (Rules of Golf, equipment rules, from
 * memory): volume 460 + 10 cm³, moment of inertia 5900 + 100 g·cm², length 48 in with a local rule at 46 in, spring effect as
 * characteristic time 239 + 18 µs. So the wording is always "check the current rules".
 */
final class EquipmentRules
{
    public const MOST_VOLUME_CM3 = 470.0;

    public const MOST_MOI_GCM2 = 6000.0;

    public const MOST_LENGTH_MM = 1219.2;

    public const LOCAL_RULE_LENGTH_MM = 1168.4;

    public const MOST_CHARACTERISTIC_TIME_US = 257.0;

    /** @return list<string> one line for each thing to look up; empty when nothing stands out */
    public static function warnings(
        Head $head, ?float $volumeCm3 = null, ?float $lengthMm = null, ?float $characteristicTimeUs = null,
    ): array {
        $out = [];
        $moi = $head->inertiaGcm2[2][2];
        if ($moi > self::MOST_MOI_GCM2) {
            $out[] = sprintf('Moment of inertia about the vertical axis is %.0f g·cm²: check the current rules.', $moi);
        }
        if ($volumeCm3 !== null && $volumeCm3 > self::MOST_VOLUME_CM3) {
            $out[] = sprintf('Head volume is %.0f cm³: check the current rules.', $volumeCm3);
        }
        if ($lengthMm !== null && $lengthMm > self::LOCAL_RULE_LENGTH_MM) {
            $out[] = sprintf(
                'Club length is %.0f mm (%.2f in): check the current rules%s.', $lengthMm, $lengthMm / 25.4,
                $lengthMm > self::MOST_LENGTH_MM ? '' : ' and local rules',
            );
        }
        if ($characteristicTimeUs !== null && $characteristicTimeUs > self::MOST_CHARACTERISTIC_TIME_US) {
            $out[] = sprintf('Spring effect (characteristic time) is %.0f µs: check the current rules.', $characteristicTimeUs);
        }

        return $out;
    }
}
