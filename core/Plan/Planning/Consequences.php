<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Installation;

/** What a change of the installation would change in the plan, before anybody makes it. */
final readonly class Consequences
{
    /**
     * @param  int  $joints  that come, go or move
     * @param  list<string>  $ends  "code end" of those whose joints change
     * @param  list<string>  $cuts  codes of runs that would be cut at another length
     * @param  list<string>  $labels  codes of runs whose labels change
     * @param  list<string>  $tests  codes of runs whose expected reading changes
     * @param  list<string>  $overtaken  "code stage" of work that is done and would no longer fit
     * @param  list<Finding>  $comes  findings that would be new
     * @param  list<Finding>  $goes  findings that would be gone
     */
    private function __construct(
        public int $joints,
        public array $ends,
        public array $cuts,
        public array $labels,
        public array $tests,
        public array $overtaken,
        public array $comes,
        public array $goes,
    ) {
    }

    /**
     * @param  Plan  $before  as things are
     * @param  Installation  $then  as it would be
     * @param  Plan  $after  of that
     */
    public static function between(Plan $before, Installation $then, Plan $after): self
    {
        [$joints, $ends, $cuts, $labels, $tests, $overtaken] = [0, [], [], [], [], []];
        foreach ($after->runs as $id => $plan) {
            if ($after->isAs($before, $id)) {
                continue;
            }
            $old = isset($before->runs[$id]) ? $before->runs[$id] : null;
            $code = $then->theRun($id)->code;
            foreach ($plan->ends() as $side => $end) {
                $was = self::joints($old?->ends()[$side]->joints ?? []);
                $is = self::joints($end->joints);
                $moved = count(array_diff_key($is, $was)) + count(array_diff_key($was, $is));
                $joints += $moved;
                if ($moved > 0) {
                    $ends[] = $code.' '.$side;
                }
            }
            if ($old?->cut->result->nanometres !== $plan->cut->result->nanometres) {
                $cuts[] = $code;
            }
            if ($old === null || $before->labels($id) !== $after->labels($id)) {
                $labels[] = $code;
            }
            array_push($overtaken, ...self::overtaken($code, $before->strand($id), $after->strand($id)));
        }
        foreach ($after->assemblies as $assembly) {
            $old = $before->assemblies[$assembly->id] ?? null;
            if ($old === null || ! $after->readsAs($assembly, $before, $old)) {
                array_push(
                    $tests,
                    ...array_map(static fn (string $run): string => $then->theRun($run)->code, $assembly->runs),
                );
            }
        }
        $comes = $after->findingsBeside($before);
        $goes = $before->findingsBeside($after);

        return new self(
            $joints,
            $ends,
            $cuts,
            $labels,
            $tests,
            $overtaken,
            self::difference($comes, $goes),
            self::difference($goes, $comes),
        );
    }

    /**
     * @param  list<\Sartal\Core\Ends\Wiring\Joint>  $joints
     * @return array<int|string, true>
     */
    private static function joints(array $joints): array
    {
        $ids = [];
        foreach ($joints as $joint) {
            $ids[$joint->id()] = true;
        }

        return $ids;
    }

    /**
     * @param  list<Bead>  $before
     * @param  list<Bead>  $after
     * @return list<string>
     */
    public static function overtaken(string $code, array $before, array $after): array
    {
        $found = [];
        foreach ($after as $i => $bead) {
            if ($bead->state === BeadState::Overtaken && ($before[$i] ?? null)?->state !== BeadState::Overtaken) {
                $found[] = $code.' '.$bead->stage->value;
            }
        }

        return $found;
    }

    /**
     * @param  list<Finding>  $of
     * @param  list<Finding>  $without
     * @return list<Finding>
     */
    public static function difference(array $of, array $without): array
    {
        $known = [];
        foreach ($without as $finding) {
            $known[$finding->code.$finding->subject->text().$finding->words] = true;
        }

        return array_values(
            array_filter(
                $of,
                static fn (Finding $finding): bool => ! isset(
                    $known[$finding->code.$finding->subject->text().$finding->words],
                ),
            ),
        );
    }
}
