<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** What an installation does elsewhere: on which cables it carries a signal, and how those end. */
final readonly class Habits
{
    /** @param  bool  $ofLeads  of loose leads, not of what lies in the building */
    public function __construct(private Installation $installation, public bool $ofLeads = false)
    {
    }

    /** @return array{array<int|string, int>, array<int|string, true>} cable → runs that carry it; their families */
    public function carriers(SignalType $signal): array
    {
        $used = $families = [];
        foreach ($this->runs() as $run) {
            if ($this->carries($run, $signal)) {
                $used[$run->cable] = ($used[$run->cable] ?? 0) + 1;
                $families[$this->installation->catalogue->cable($run->cable)->family ?? ''] = true;
            }
        }

        return [$used, $families];
    }

    /** Where ends on such a cable are made. */
    public function build(string $cable): Build
    {
        foreach ($this->ofLeads ? [] : $this->runs() as $run) {
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
        foreach ($this->ofLeads ? $this->runs() : [] as $run) {
            $many[$run->a->location] = ($many[$run->a->location] ?? 0) + 1;
        }
        arsort($many);

        return (string) (array_key_first($many) ?? '');
    }

    /**
     * How such a signal ends elsewhere: at the same place with the same cable, at the same place, on the same side.
     *
     * @return array{?End, string, list<string>} the end that serves as the pattern, which that is, and its plan and the
     *     one after it
     */
    public function end(string $location, Side $side, SignalType $signal, CableType $cable): array
    {
        $like = null;
        $because = '';
        $most = 0;
        $scores = [];
        foreach ($this->runs() as $run) {
            foreach ($this->carries($run, $signal) ? Side::cases() : [] as $at) {
                $end = $run->end($at);
                $plan = ($end->legs[0] ?? null)?->landing?->plan;
                $score =
                    ($end->location === $location ? 4 : 0) +
                    ($run->cable === $cable->id ? 3 : 0) +
                    ($at === $side ? 2 : 0);
                // Of a lead every end is at the same place: which of its ends it is says more.
                $score = $this->ofLeads && $at !== $side ? 0 : $score;
                if ($plan === null || $score === 0 || $this->installation->catalogue->contactPlan($plan) === null) {
                    continue;
                }
                if ($score > $most) {
                    [$like, $because, $most] = [$end, sprintf('as %s ends at %s', $run->code, $at->value), $score];
                }
                $scores[$plan] = max($scores[$plan] ?? 0, $score);
            }
        }
        arsort($scores);

        return [$like, $because, array_map(strval(...), array_keys($scores))];
    }

    /** @return list<Run> */
    private function runs(): array
    {
        $runs = array_filter($this->installation->runs(), fn (Run $run): bool => $run->isLoose() === $this->ofLeads);

        return array_values($runs);
    }

    private function carries(Run $run, SignalType $signal): bool
    {
        foreach ($run->carries as $carriage) {
            if (($this->installation->circuit($carriage->circuit)->signal ?? '') === $signal->id) {
                return true;
            }
        }

        return false;
    }
}
