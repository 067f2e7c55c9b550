<?php

declare(strict_types=1);

namespace App\Planning;

/**
 * What was measured on the equipment, in the shape of a file's run: it is found out while a release is worked from, and
 * holds for it at once.
 */
final class MeasuredLegs
{
    /**
     * @param  ?array<int|string, mixed>  $run
     * @return array<int|string, string> side and leg → length, of those that are measured
     */
    public static function of(?array $run): array
    {
        $measured = [];
        foreach (self::legs($run ?? []) as [$side, , $leg]) {
            $length = ($leg['onEquipment'] ?? false) === true ? $leg['measured'] ?? null : null;
            if (is_string($length) && is_string($leg['id'] ?? null)) {
                $measured[$side.' '.$leg['id']] = $length;
            }
        }

        return $measured;
    }

    /** @param  array<int|string, mixed>  $run */
    public static function areMeantIn(array $run): bool
    {
        foreach (self::legs($run) as [, , $leg]) {
            if (($leg['onEquipment'] ?? false) === true) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<int|string, mixed>  $run  as it was released
     * @param  array<int|string, string>  $measured  since
     * @return array<int|string, mixed> with it, of legs alone that were released to be measured
     */
    public static function into(array $run, array $measured): array
    {
        foreach (self::legs($run) as [$side, $i, $leg]) {
            $id = is_string($leg['id'] ?? null) ? $leg['id'] : '';
            if (($leg['onEquipment'] ?? false) === true) {
                unset($leg['measured']);
                $length = $measured[$side.' '.$id] ?? null;
                $legs = is_array($run[$side]) && is_array($run[$side]['legs']) ? $run[$side]['legs'] : [];
                $legs[$i] = $length === null ? $leg : [...$leg, 'measured' => $length];
                $run[$side] = [...(array) $run[$side], 'legs' => $legs];
            }
        }

        return $run;
    }

    /**
     * @param  array<int|string, mixed>  $run
     * @return list<array{string, int|string, array<int|string, mixed>}> side, place, leg
     */
    private static function legs(array $run): array
    {
        $legs = [];
        foreach (['a', 'b'] as $side) {
            $end = is_array($run[$side] ?? null) ? $run[$side] : [];
            foreach (is_array($end['legs'] ?? null) ? $end['legs'] : [] as $i => $leg) {
                if (is_array($leg)) {
                    $legs[] = [$side, $i, $leg];
                }
            }
        }

        return $legs;
    }
}
