<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Pulling;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Ways\Routing\BendRule;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Ways\Routing\Hop;
use Sartal\Core\Ways\Routing\PullRule;

/**
 * What is pulled together, and in which order: cables of one way as a bundle,
 * mains by itself, the longest ways first, because what is laid in first lies
 * deepest and what goes farthest is hardest to add. Source: common practice.
 */
final readonly class PullPlanner
{
    /** Quarter bends between two places to pull from: 360° in all (NEC 358.26, from memory). */
    private const BENDS = 4;

    public function __construct(private Installation $installation, private Plan $plan)
    {
    }

    /** @return list<Pull> in the order in which they are pulled */
    public function pulls(): array
    {
        // Asked of every run: all at once.
        $this->plan->judged();
        $groups = [];
        foreach ($this->installation->runs() as $run) {
            $cable = $this->installation->catalogue->cable($run->cable);
            $hops = $this->plan->runs[$run->id]->lay->route->hops;
            if ($run->withdrawn || $run->build === Build::Found || $cable === null || $hops === []) {
                continue;
            }
            $mains = Cargo::from($cable)->mains;
            [$from, $to, $along] = $this->direction($run, $hops);
            $groups[
                implode('|', [
                    $mains ? 'mains' : '',
                    $from,
                    $to,
                    ...array_map(static fn (Hop $hop): string => $hop->way->id, $along),
                ])
            ][] = [$run, $cable, $along, $from, $to, $mains];
        }
        $pulls = array_map($this->pull(...), array_values($groups));
        usort(
            $pulls,
            static fn (Pull $a, Pull $b): int => $a->mains <=> $b->mains ?:
            $b->length->compare($a->length) ?:
            count($b->runs) <=> count($a->runs) ?:
            $a->id <=> $b->id,
        );

        return $pulls;
    }

    /**
     * One direction for what goes between the same two places, whichever of them is a run's end A.
     *
     * @param  non-empty-list<Hop>  $hops
     * @return array{string, string, non-empty-list<Hop>}
     */
    private function direction(Run $run, array $hops): array
    {
        return $run->a->location <= $run->b->location
            ? [$run->a->location, $run->b->location, $hops]
            : [
                $run->b->location,
                $run->a->location,
                array_reverse(array_map(static fn (Hop $hop): Hop => new Hop($hop->way, $hop->to, $hop->from), $hops)),
            ];
    }

    /** @param  non-empty-list<array{Run, CableType, non-empty-list<Hop>, string, string, bool}>  $group */
    private function pull(array $group): Pull
    {
        [, , $hops, $from, $to, $mains] = $group[0];
        usort(
            $group,
            fn (array $a, array $b): int => $this->plan->runs[$b[0]->id]->cut->result->compare(
                $this->plan->runs[$a[0]->id]->cut->result,
            ) ?:
            $a[0]->code <=> $b[0]->code,
        );
        $runs = array_map(static fn (array $each): string => $each[0]->id, $group);
        $cables = array_map(static fn (array $each): CableType => $each[1], $group);
        $leads = $hindrances = [];
        foreach ($group as [$run]) {
            $leads[$run->id] = $this->leads($run);
            foreach ($this->plan->judgedOn(Subject::run($run->id)) as $finding) {
                if ($finding->code === 'way.connector-does-not-pass') {
                    $hindrances[] = $finding->words.' '.$finding->remedy;
                }
            }
        }
        $ways = array_map(static fn (Hop $hop): string => $hop->way->id, $hops);

        return new Pull(
            substr(hash('xxh128', implode('|', [$from, $to, ...$ways, ...$runs])), 0, 16),
            $mains,
            $from,
            $to,
            $ways,
            $runs,
            Length::zero()->plus(...array_map(static fn (Hop $hop): Length => $hop->way->length, $hops)),
            PullRule::among($cables),
            BendRule::among($cables),
            $this->stops($hops),
            $leads,
            [...$hindrances, ...$this->hindrances($ways)],
        );
    }

    /** The end that goes through first: the one with the smaller connectors; nothing where both are bare or alike. */
    private function leads(Run $run): string
    {
        if ($run->build === Build::Site) {
            return '';
        }
        $widths = array_map($this->width(...), [Side::A->value => $run->a, Side::B->value => $run->b]);

        return match ($widths['A'] <=> $widths['B']) {
            -1 => 'A',
            1 => 'B',
            default => '',
        };
    }

    private function width(End $end): int
    {
        $most = 0;
        foreach ($end->legs as $leg) {
            $type = $this->installation->catalogue->connector(
                $this->installation->fitting($leg->landing->fitting ?? '')->connector ?? '',
            );
            $most = max($most, $type?->outline->width->nanometres ?? 0);
        }

        return $most;
    }

    /**
     * Where to stop and pull on from: at the junction before a fifth quarter bend.
     *
     * @param  list<Hop>  $hops
     * @return list<string>
     */
    private function stops(array $hops): array
    {
        $stops = [];
        $bends = 0;
        foreach ($hops as $hop) {
            if (! $hop->way->kind->isPulledThrough()) {
                $bends = 0;

                continue;
            }
            if ($hop->way->bends > self::BENDS) {
                $stops[] = sprintf(
                    '%s has %d quarter bends: it wants a pull box along it',
                    $hop->way->name,
                    $hop->way->bends,
                );
                $bends = 0;

                continue;
            }
            if ($bends + $hop->way->bends > self::BENDS) {
                $stops[] = sprintf(
                    'pull through at %s and begin again: %d quarter bends lie behind',
                    $this->installation->placeName($hop->from),
                    $bends,
                );
                $bends = 0;
            }
            $bends += $hop->way->bends;
        }

        return $stops;
    }

    /**
     * What the ways themselves say about bends and filling.
     *
     * @param  list<string>  $ways
     * @return list<string>
     */
    private function hindrances(array $ways): array
    {
        $words = [];
        foreach ($ways as $way) {
            foreach ($this->plan->judgedOn(Subject::way($way)) as $finding) {
                if (in_array($finding->code, ['way.jam', 'way.many-bends', 'way.overfull', 'way.full'], true)) {
                    $words[] = $finding->words;
                }
            }
        }

        return array_values(array_unique($words));
    }
}
