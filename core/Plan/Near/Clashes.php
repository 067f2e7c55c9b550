<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Ends\Labelling\Rotation;
use Sartal\Core\Given\Installation\Installation;

/** Texts that read as another upside down, brought forward by what was changed: all others clash as they did. */
final class Clashes
{
    /**
     * @param  array<array-key, string>  $before  text → what it reads upside down
     * @param  array<int|string, RunCard>  $was  of those that are changed, by run
     * @param  array<int|string, RunCard>  $is  the same since
     * @param  list<string>  $ports  what is printed on devices
     * @return array<array-key, string> text → what it reads upside down
     */
    public static function after(array $before, array $was, array $is, Cards $cards, array $ports): array
    {
        [$said, $says] = [self::said($was), self::said($is)];
        $gone = array_keys(array_diff_key($said, $says));
        $come = array_keys(array_diff_key($says, $said));
        if ($gone === [] && $come === []) {
            return $before;
        }
        $turned = array_filter(
            array_map(static fn (int|string $text): ?string => Rotation::read((string) $text), $come),
        );
        $asked = array_map(strval(...), [...$gone, ...$come, ...$turned]);
        $changed = array_map(strval(...), array_keys($was + $is));
        $printed = array_fill_keys([...$cards->said($asked, $changed), ...$ports], true) + $says;
        $after = $before;
        foreach ($gone as $text) {
            if (! isset($printed[$text]) && isset($after[$text])) {
                unset($after[$after[$text]], $after[$text]);
            }
        }
        foreach ($come as $text) {
            $other = Rotation::read((string) $text);
            if ($other !== null && $other !== (string) $text && isset($printed[$other])) {
                $after[$text] = $other;
                $after[$other] = (string) $text;
            }
        }

        return $after;
    }

    /**
     * @param  array<array-key, string>  $before
     * @param  array<array-key, string>  $after
     * @return list<string> texts that are marked since, or are so no longer
     */
    public static function between(array $before, array $after): array
    {
        return array_map(strval(...), array_keys(array_diff_key($before, $after) + array_diff_key($after, $before)));
    }

    /** @return list<string> what is printed on devices */
    public static function ports(Installation $in): array
    {
        $names = [];
        foreach ($in->equipment() as $device) {
            foreach ($device->ports as $port) {
                $names[] = $port->name;
            }
        }

        return $names;
    }

    /**
     * @param  array<int|string, RunCard>  $cards
     * @return array<array-key, true>
     */
    private static function said(array $cards): array
    {
        $said = [];
        foreach ($cards as $card) {
            $said += array_fill_keys($card->says, true);
        }

        return $said;
    }
}
