<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Side;

/** What an installation does elsewhere: on which cables it carries a signal, and how those end. */
final readonly class Habits
{
    /** @var list<RunHabit> */
    private array $runs;

    /**
     * @param  list<RunHabit>  $runs  all that there are
     * @param  bool  $ofLeads  of loose leads, not of what lies in the building
     */
    public function __construct(private Catalogue $catalogue, array $runs, public bool $ofLeads = false)
    {
        $this->runs = array_values(
            array_filter($runs, static fn (RunHabit $run): bool => $run->isLoose() === $ofLeads),
        );
    }

    /** @return array{array<int|string, int>, array<int|string, true>} cable → runs that carry it; their families */
    public function carriers(SignalType $signal): array
    {
        $used = $families = [];
        foreach ($this->runs as $run) {
            if ($run->carries($signal->id)) {
                $used[$run->cable] = ($used[$run->cable] ?? 0) + 1;
                $families[$this->catalogue->cable($run->cable)->family ?? ''] = true;
            }
        }

        return [$used, $families];
    }

    /** Where ends on such a cable are made. */
    public function build(string $cable): Build
    {
        foreach ($this->ofLeads ? [] : $this->runs as $run) {
            if ($run->cable === $cable && $run->build !== Build::Found) {
                return $run->build;
            }
        }

        return $this->ofLeads ? Build::Lead : Build::Shop;
    }

    /** Where most loose leads are kept: a place; "" where there are none. */
    public function store(): string
    {
        $many = [];
        foreach ($this->ofLeads ? $this->runs : [] as $run) {
            $many[$run->a->location] = ($many[$run->a->location] ?? 0) + 1;
        }
        arsort($many);

        return (string) (array_key_first($many) ?? '');
    }

    /**
     * How such a signal ends elsewhere: at the same place with the same cable, at the same place, on the same side.
     *
     * @return array{?EndHabit, string, list<string>} the end that serves as the pattern, which that is, and its plan
     *     and the one after it
     */
    public function end(string $location, Side $side, SignalType $signal, CableType $cable): array
    {
        $like = null;
        $because = '';
        $most = 0;
        $scores = [];
        foreach ($this->runs as $run) {
            foreach ($run->carries($signal->id) ? Side::cases() : [] as $at) {
                $end = $run->end($at);
                $plan = $end->plan;
                $score =
                    ($end->location === $location ? 4 : 0) +
                    ($run->cable === $cable->id ? 3 : 0) +
                    ($at === $side ? 2 : 0);
                // Of a lead every end is at the same place: which of its ends it is says more.
                $score = $this->ofLeads && $at !== $side ? 0 : $score;
                if ($plan === null || $score === 0 || $this->catalogue->contactPlan($plan) === null) {
                    continue;
                }
                if ($score > $most) {
                    [$like, $most] = [$end, $score];
                    $because = sprintf('as %s ends at %s', $run->code, $at->value);
                }
                $scores[$plan] = max($scores[$plan] ?? 0, $score);
            }
        }
        arsort($scores);

        return [$like, $because, array_map(strval(...), array_keys($scores))];
    }
}
