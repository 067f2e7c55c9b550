<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Joining\Drawn;
use Sartal\Core\Plan\Joining\Found;
use Sartal\Core\Plan\Joining\Gesture;

/**
 * What would follow from a gesture: which cores would come to what, and what would be found that is not found now.
 *
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type Follows array{
 *     words: string,
 *     cores: list<array{end: string, core: string, was: string, becomes: string}>,
 *     more: int,
 *     connectors: list<string>,
 *     findings: list<FindingShown>,
 *     solved: int,
 * }
 */
final class FollowsResource
{
    /** Elements that are listed one by one. */
    private const LISTED = 100;

    /** @return Follows */
    public static function of(Gesture $gesture, Drawn $drawn, Installation $was): array
    {
        $cores = [];
        foreach ($drawn->runs as $run) {
            foreach (Side::cases() as $side) {
                array_push($cores, ...self::cores($run, $side, $was, $drawn->in));
            }
        }
        $before = Found::around($was, $drawn->runs, $drawn->fittings);
        $after = Found::around($drawn->in, $drawn->runs, $drawn->fittings);

        return [
            'words' => $gesture->words($was),
            'cores' => array_slice($cores, 0, self::LISTED),
            'more' => max(0, count($cores) - self::LISTED),
            'connectors' => self::connectors($drawn, $was),
            'findings' => array_map(PlanEncoder::finding(...), Found::since($before, $after)),
            'solved' => count(Found::since($after, $before)),
        ];
    }

    /** @return list<array{end: string, core: string, was: string, becomes: string}> */
    private static function cores(string $id, Side $side, Installation $was, Installation $is): array
    {
        $run = $is->theRun($id);
        $cable = $is->catalogue->cable($run->cable);
        if ($cable === null) {
            return [];
        }
        $before = self::joined($was, $id, $side);
        $after = self::joined($is, $id, $side);
        $moved = [];
        foreach ($cable->conductors() as $path => $conductor) {
            [$from, $to] = [$before[$path] ?? [], $after[$path] ?? []];
            if ($from !== $to) {
                $of = $conductor->parent === '' ? (string) $path : $conductor->parent;
                $moved[$of]['cores'][] = $conductor->element->label;
                $moved[$of]['was'][] = $from;
                $moved[$of]['becomes'][] = $to;
            }
        }
        $cores = [];
        foreach ($moved as $of => $each) {
            $whole = count($each['cores']) === count($cable->conductorsWithin((string) $of));
            $cores[] = [
                'end' => $run->code.' '.$side->value,
                'core' => trim(($cable->element((string) $of)->label ?? '').' '.($whole
                    ? ''
                    : implode(', ', array_diff($each['cores'], [$cable->element((string) $of)->label ?? ''])))),
                'was' => self::places($each['was'], $was),
                'becomes' => self::places($each['becomes'], $is),
            ];
        }

        return $cores;
    }

    /**
     * @param  list<list<string>>  $nodes  of each core
     * @return string "Stage box 1: 2 3 1"
     */
    private static function places(array $nodes, Installation $in): string
    {
        $at = [];
        foreach (array_merge(...$nodes) as $node) {
            $fitting = Node::fitting($node);
            $label = $fitting === null ? Node::place($node)?->splice : $in->fitting($fitting)?->label;
            $at[$label ?? $fitting ?? $node][] = Node::address($node);
        }

        return implode('; ', array_map(
            static fn (string $label, array $addresses): string => rtrim($label.' '.implode(' ', $addresses)),
            Names::from($at),
            array_values($at),
        ));
    }

    /** @return array<int|string, list<string>> conductor → nodes that it goes to */
    private static function joined(Installation $in, string $id, Side $side): array
    {
        $run = $in->run($id);
        $cable = $run === null ? null : $in->catalogue->cable($run->cable);
        $joints = $run === null || $cable === null ? [] : PinoutMaker::make($in, $run, $side, $cable)->joints;
        $to = [];
        foreach ($joints as $joint) {
            $to[$joint->conductor][] = $joint->to;
        }

        return $to;
    }

    /** @return list<string> */
    private static function connectors(Drawn $drawn, Installation $was): array
    {
        $words = [];
        foreach ($drawn->fittings as $id) {
            [$before, $after] = [$was->fitting($id), $drawn->in->fitting($id)];
            if ($before === null && $after !== null) {
                $words[] = sprintf('%s comes: %s', $after->label, self::type($after->connector, $drawn->in));
            } elseif ($before !== null && $after === null) {
                $words[] = sprintf('%s goes: nothing comes to it any more', $before->label);
            }
        }

        return $words;
    }

    private static function type(string $id, Installation $in): string
    {
        return $in->catalogue->connector($id)->name ?? $id;
    }
}
