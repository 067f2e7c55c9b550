<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\Hop;
use Sartal\Core\Ways\Routing\Route;

/**
 * What a change of ways, looms or panels does to the runs: which lie elsewhere, and which are cut at another length.
 */
final readonly class Rerouted
{
    /**
     * @param  list<array{run: string, code: string, was: list<string>, is: list<string>}>  $routes  names of ways
     * @param  list<array{run: string, code: string, was: Length, is: Length}>  $cuts
     * @param  list<string>  $overtaken  "code stage" of work that is done and no longer fits
     * @param  list<Finding>  $comes
     * @param  list<Finding>  $goes
     */
    private function __construct(
        public array $routes,
        public array $cuts,
        public array $overtaken,
        public array $comes,
        public array $goes,
    ) {
    }

    public static function between(Plan $before, Plan $after, Installation $installation): self
    {
        $routes = $cuts = $overtaken = [];
        foreach ($after->runs as $id => $plan) {
            if (! isset($before->runs[$id]) || $after->isAs($before, $id)) {
                continue;
            }
            $old = $before->runs[$id];
            $code = $installation->theRun($id)->code;
            if ($old->lay->route->ways() !== $plan->lay->route->ways()) {
                $routes[] = [
                    'run' => (string) $id,
                    'code' => $code,
                    'was' => self::names($old->lay->route),
                    'is' => self::names($plan->lay->route),
                ];
            }
            if ($old->cut->result->compare($plan->cut->result) !== 0) {
                $cuts[] = [
                    'run' => (string) $id,
                    'code' => $code,
                    'was' => $old->cut->result,
                    'is' => $plan->cut->result,
                ];
            }
            array_push(
                $overtaken,
                ...Consequences::overtaken($code, $before->strand($id), $after->strand($id)),
            );
        }

        $comes = $after->findingsBeside($before);
        $goes = $before->findingsBeside($after);

        return new self(
            $routes,
            $cuts,
            $overtaken,
            Consequences::difference($comes, $goes),
            Consequences::difference($goes, $comes),
        );
    }

    /** @return list<string> */
    private static function names(Route $route): array
    {
        return array_map(static fn (Hop $hop): string => $hop->way->name, $route->hops);
    }
}
