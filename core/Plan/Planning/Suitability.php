<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;

/** Which connectors go with a cable, by its contact plans: what fits first, and of the rest why not. */
final readonly class Suitability
{
    /** Findings that speak of the pair of cable and connector. */
    private const CODES = ['fit.', 'contact.', 'fitting.insert', 'function.'];

    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  string  $signal  signal type id
     * @return array<int|string, list<Finding>> plan → what is wrong with it; those with nothing wrong first
     */
    public function of(string $cable, string $signal): array
    {
        $type = $this->installation->catalogue->signal($signal);
        if ($type === null) {
            return [];
        }
        $judged = [];
        foreach ($this->installation->catalogue->plans() as $plan) {
            if (! $plan->retired && $plan->channelsFor($type) !== []) {
                $misfits = $this->judge($cable, $signal, $plan);
                if ($misfits !== null) {
                    $judged[$plan->id] = $misfits;
                }
            }
        }
        uasort($judged, static fn (array $a, array $b): int => self::weight($a) <=> self::weight($b));

        return $judged;
    }

    /** @return ?list<Finding> null where the cable cannot carry the signal at all */
    private function judge(string $cable, string $signal, ContactPlan $plan): ?array
    {
        try {
            $proposal = (new Proposer($this->installation->catalogue))->propose(
                new RunRequest('?', '?', $cable, [$signal], Build::Shop, self::end($plan->id), self::end(), []),
            );
        } catch (CannotPropose) {
            return null;
        }
        $with = $this->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits);
        $run = RunPlanner::plan($proposal->run, $with);

        return array_values(
            array_filter(
                $run->findings(),
                static fn (Finding $finding): bool => array_filter(
                    self::CODES,
                    static fn (string $code): bool => str_starts_with($finding->code, $code),
                ) !== [],
            ),
        );
    }

    private static function end(string ...$plans): Termination
    {
        return new Termination(
            '',
            array_values($plans),
            Length::zero(),
            Length::zero(),
            Length::zero(),
            0,
            Length::zero(),
        );
    }

    /** @param  list<Finding>  $findings */
    private static function weight(array $findings): int
    {
        return array_sum(
            array_map(static fn (Finding $finding): int => $finding->severity === Severity::Stop ? 10 : 1, $findings),
        );
    }
}
