<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;

/** What no jumper, splice or switch may do, refused before it is saved: short a circuit, or open its phantom power. */
final class Soundness
{
    private const REFUSED = ['join.short', 'phantom.open', 'phantom.lifted'];

    /**
     * @param  list<Link>  $links
     * @param  string  $from  as a file spells it
     */
    public static function between(array $links, string $from, string $to): ?Link
    {
        foreach ($links as $link) {
            if ([$link->from, $link->to] === [$from, $to] || [$link->to, $link->from] === [$from, $to]) {
                return $link;
            }
        }

        return null;
    }

    /**
     * @param  string  $field  that the refusal is about
     * @param  list<string>  $places  that something leads from or to since, as a file spells them
     *
     * @throws CannotJoin where something that is refused was not so before
     */
    public static function asBefore(Sketch $on, string $field, array $places): void
    {
        $fittings = [];
        foreach ($places as $place) {
            $fitting = JoiningPlace::from($place)->fitting;
            array_push($fittings, ...$fitting === '' ? [] : [$fitting]);
        }
        $runs = $on->redrawn();
        $new = Found::since(
            Found::around($on->was(), $runs, $fittings),
            Found::around($on->now(), $runs, $fittings),
        );
        foreach ($new as $finding) {
            if (in_array($finding->code, self::REFUSED, true)) {
                throw CannotJoin::because($field, implode(' – ', $places), $finding->words.' '.$finding->remedy);
            }
        }
    }
}
