<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\Cavity;

/** Lays channels on a connector's face, line by line; a channel never straddles two lines. */
final class PlanLayout
{
    /** Contacts this close in one direction, in mm, stand in one line. */
    private const SAME_LINE = 0.5;

    /**
     * @param  non-empty-list<string>  $functions  in the order in which contacts are taken
     * @param  int  $channels  how many are wanted
     * @param  string  $first  contact to begin with; "" for the first
     * @return array<array-key, array<int|string, string>> channel → function → address; fewer than wanted where
     *     contacts run out
     */
    public static function lay(
        FittingLayout $layout,
        array $functions,
        int $channels,
        LayOrder $order,
        string $first = '',
    ): array {
        $laid = [];
        $begun = $first === '';
        foreach (self::lines($layout, $order) as $line) {
            if (! $begun) {
                $at = array_search($first, $line, true);
                if ($at === false) {
                    continue;
                }
                $line = array_slice($line, $at);
                $begun = true;
            }
            foreach (array_chunk($line, count($functions)) as $contacts) {
                if (count($contacts) < count($functions) || count($laid) >= $channels) {
                    break;
                }
                $laid[(string) (count($laid) + 1)] = array_combine($functions, $contacts);
            }
        }

        return $laid;
    }

    /**
     * Addresses line by line, as the mating face is read: from the top, from the left.
     *
     * @return list<list<string>>
     */
    public static function lines(FittingLayout $layout, LayOrder $order): array
    {
        $along = static fn (Cavity $cavity): float => $order === LayOrder::Columns
            ? $cavity->face->x
            : -$cavity->face->y;
        $within = static fn (Cavity $cavity): float => $order === LayOrder::Columns
            ? -$cavity->face->y
            : $cavity->face->x;
        $cavities = array_values($layout->cavities);
        usort($cavities, static fn (Cavity $a, Cavity $b): int => $along($a) <=> $along($b));
        $lines = [];
        $last = null;
        foreach ($cavities as $cavity) {
            if ($last === null || $along($cavity) - $last > self::SAME_LINE) {
                $lines[] = [];
                $last = $along($cavity);
            }
            $lines[count($lines) - 1][] = $cavity;
        }

        return array_map(static function (array $line) use ($within): array {
            usort($line, static fn (Cavity $a, Cavity $b): int => $within($a) <=> $within($b));

            return array_map(static fn (Cavity $cavity): string => $cavity->address, $line);
        }, $lines);
    }
}
