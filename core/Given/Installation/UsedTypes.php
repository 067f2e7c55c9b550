<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Procedures\LegMaking;

/** The types that an installation really uses: what it pins, so that a newer catalogue does not change it. */
final class UsedTypes
{
    /** @var array<int|string, array<int|string, true>> kind → id */
    private array $used = [
        'cables' => [],
        'connectors' => [],
        'signals' => [],
        'plans' => [],
        'parts' => [],
        'procedures' => [],
    ];

    private function __construct(private readonly Installation $installation)
    {
    }

    public static function in(Installation $installation): Catalogue
    {
        $types = new self($installation);
        $types->named();
        $types->implied();
        $all = $installation->catalogue;

        return new Catalogue(
            array_intersect_key($all->cables(), $types->used['cables']),
            array_intersect_key($all->connectors(), $types->used['connectors']),
            array_intersect_key($all->signals(), $types->used['signals']),
            array_intersect_key($all->plans(), $types->used['plans']),
            array_intersect_key($all->parts(), $types->used['parts']),
            array_intersect_key($all->procedures(), $types->used['procedures']),
            $all->former,
        );
    }

    /** What the installation names itself. */
    private function named(): void
    {
        foreach ($this->installation->runs() as $run) {
            $this->use('cables', $run->cable);
            $this->use('parts', $run->sleeve ?? '');
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $this->use('plans', $leg->landing->plan ?? '');
                $this->use('procedures', $leg->procedure);
                $this->use('parts', $leg->sleeve ?? '');
            }
        }
        foreach ($this->installation->circuits() as $circuit) {
            $this->use('signals', $circuit->signal);
        }
        foreach ($this->installation->fittings() as $fitting) {
            $this->use('connectors', $fitting->connector, ...array_values($fitting->inserts));
            $this->use('parts', ...$fitting->parts);
        }
        foreach ($this->installation->reels() as $reel) {
            $this->use('cables', $reel->cable);
        }
        foreach ($this->installation->equipment() as $device) {
            foreach ($device->ports as $port) {
                $this->use('connectors', $port->connector);
                $this->use('plans', $port->plan ?? '');
                $this->use('signals', $port->signal);
            }
        }
    }

    /** What those need in turn. */
    private function implied(): void
    {
        $catalogue = $this->installation->catalogue;
        foreach (array_intersect_key($catalogue->plans(), $this->used['plans']) as $plan) {
            $this->use('plans', ...array_values($plan->byScheme));
        }
        foreach (array_intersect_key($catalogue->connectors(), $this->used['connectors']) as $connector) {
            $this->use('parts', ...$connector->cable->parts());
            $this->use('procedures', ...array_values($connector->cable->procedures));
            $this->standIn($connector);
        }
        foreach ($catalogue->procedures() as $id => $procedure) {
            $isInstead = array_intersect_key(array_flip($procedure->insteadOf), $this->used['procedures']) !== [];
            $takes = array_intersect_key(array_flip($procedure->connectors), $this->used['connectors']) !== [];
            $this->use('procedures', ...$isInstead && $takes ? [(string) $id] : []);
        }
        foreach ($catalogue->procedures() as $id => $procedure) {
            $legs = array_filter(
                array_map(static fn (LegMaking $leg): string => $leg->procedure, $procedure->legs),
                static fn (string $id): bool => $id !== '',
            );
            $isOpened = array_diff_key(array_flip($legs), $this->used['procedures']) === [];
            $this->use('procedures', ...$legs !== [] && $isOpened ? [(string) $id] : []);
        }
        foreach (array_intersect_key($catalogue->signals(), $this->used['signals']) as $signal) {
            $this->use('parts', $signal->terminator);
        }
        $withDrains = $this->withMainsDrains();
        foreach ($catalogue->parts() as $part) {
            // A ferrule that is rated for two is for earth and the drain of mains.
            if ($part->kind->isChosenFromAll() && ($part->wires === 1 || $withDrains)) {
                $this->use('parts', $part->id);
            }
        }
    }

    private function withMainsDrains(): bool
    {
        foreach (array_intersect_key($this->installation->catalogue->cables(), $this->used['cables']) as $cable) {
            if ($cable->mainsDrains() !== []) {
                return true;
            }
        }

        return false;
    }

    /** What makes its ends where it names nothing. */
    private function standIn(ConnectorType $connector): void
    {
        foreach ($this->installation->catalogue->procedures() as $procedure) {
            if ($connector->cable->procedures === [] && $procedure->standsInFor($connector)) {
                $this->use('procedures', $procedure->id);

                return;
            }
        }
    }

    private function use(string $kind, string ...$ids): void
    {
        foreach ($ids as $id) {
            $this->used[$kind][$id] = true;
        }
    }
}
