<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Side;

/** Cables that part into tails for several connectors of one panel, whatever job they are made in. */
final class PanelTrunks
{
    /** @var ?array<int|string, int> panel → trunks; none where there are none */
    private ?array $trunks = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    /** Whether trunks come to a panel that part level with each other. */
    public function areSeveral(Panel $panel): bool
    {
        return ($this->counted()[$panel->id] ?? 0) > 1;
    }

    /** @return list<string> runs at panels of which that is otherwise in another installation */
    public function turned(self $other): array
    {
        $places = [];
        foreach ($this->installation->panels() as $id => $panel) {
            $there = $other->installation->panels()[$id] ?? null;
            if ($there !== null && $this->areSeveral($panel) !== $other->areSeveral($there)) {
                $places += array_fill_keys($panel->places, true);
            }
        }
        $turned = [];
        foreach ($places === [] ? [] : $this->installation->runs() as $run) {
            array_push($turned, ...array_intersect_key(array_flip($run->fittings()), $places) === [] ? [] : [$run->id]);
        }

        return $turned;
    }

    /** @return array<int|string, int> */
    private function counted(): array
    {
        return $this->trunks ??= $this->count();
    }

    /** @return array<int|string, int> */
    private function count(): array
    {
        $panelOf = $trunks = [];
        foreach ($this->installation->panels() as $panel) {
            $panelOf += array_fill_keys($panel->places, $panel->id);
        }
        foreach ($panelOf === [] ? [] : $this->installation->runs() as $run) {
            foreach ($run->withdrawn ? [] : Side::cases() as $side) {
                $tails = [];
                foreach ($run->end($side)->legs as $leg) {
                    $panel = $panelOf[$leg->landing->fitting ?? ''] ?? null;
                    if ($panel !== null) {
                        $tails[$panel] = ($tails[$panel] ?? 0) + 1;
                    }
                }
                foreach (array_filter($tails, static fn (int $of): bool => $of > 1) as $panel => $of) {
                    $trunks[$panel] = ($trunks[$panel] ?? 0) + 1;
                }
            }
        }

        return $trunks;
    }
}
