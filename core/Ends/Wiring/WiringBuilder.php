<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ShellTie;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ShellBond;

/** Turns one assembly with its joints into a netlist. Knows conductors and contacts, no trade names. */
final class WiringBuilder
{
    /** The function whose contact is also the screen's: where the house bonds shells, they meet. */
    private const SCREEN = 'screen';

    /** @var array<int|string, Edge> */
    private array $edges = [];

    public function __construct(private readonly Installation $installation)
    {
    }

    /**
     * @param  list<Joint>  $joints  of the assembly's runs
     * @param  array<int|string, Length>  $lengths  cut length by run
     */
    public function build(Assembly $assembly, array $joints, array $lengths): Wiring
    {
        $this->edges = [];
        foreach ($assembly->runs as $id) {
            $run = $this->installation->run($id);
            $cable = $run === null ? null : $this->installation->catalogue->cable($run->cable);
            if ($run !== null && $cable !== null) {
                $this->cable($run, $cable, ($lengths[$id] ?? Length::zero())->inMetres());
            }
        }
        foreach ($joints as $joint) {
            $this->put(new Edge($joint->id(), EdgeKind::Joint, $joint->from(), $joint->to));
        }
        foreach ($assembly->fittings as $id) {
            $this->fitting($id, $joints);
        }
        $this->linksAmong($assembly);

        return Wiring::from($this->edges);
    }

    private function cable(Run $run, CableType $cable, float $metres): void
    {
        $bare = [];
        foreach ($cable->conductors() as $path => $conductor) {
            $path = (string) $path;
            $this->put(
                new Edge(
                    EdgeId::conductor($run->id, $path),
                    EdgeKind::Conductor,
                    Node::conductor($run->id, Side::A, $path),
                    Node::conductor($run->id, Side::B, $path),
                    $conductor->ohmsPerMetre() * $metres,
                    $conductor->twist === null ? null : $run->id.':'.$conductor->twist,
                    $conductor->domain,
                    metres: $metres,
                ),
            );
            if ($conductor->isBare()) {
                $bare[$conductor->parent][] = $path;
            }
        }
        foreach ($bare as $together) {
            for ($i = 1; $i < count($together); $i++) {
                foreach (Side::cases() as $side) {
                    $this->put(
                        new Edge(
                            EdgeId::touch($run->id, $side, $together[$i]),
                            EdgeKind::Touch,
                            Node::conductor($run->id, $side, $together[$i - 1]),
                            Node::conductor($run->id, $side, $together[$i]),
                        ),
                    );
                }
            }
        }
    }

    /** @param  list<Joint>  $joints */
    private function fitting(string $id, array $joints): void
    {
        $fitting = $this->installation->fitting($id);
        $layout = $fitting === null ? null : FittingLayout::unfolded($fitting, $this->installation->catalogue);
        if ($layout === null) {
            return;
        }
        foreach ($layout->switches as $switch) {
            foreach (
                [[$switch->atRest, true, 'rest'], [$switch->operated, false, 'operated']] as [$pairs, $closed, $state]
            ) {
                foreach ($pairs as [$one, $other]) {
                    $this->put(
                        new Edge(
                            EdgeId::contactOfSwitch($id, $switch->name, $state, $one),
                            EdgeKind::Switch,
                            Node::terminal($id, $one),
                            Node::terminal($id, $other),
                            closed: $closed,
                        ),
                    );
                }
            }
        }
        if (isset($layout->shells[ConnectorType::SHELL])) {
            $made = $layout->types['']->cable->shell;
            foreach ($joints as $joint) {
                $tie = $this->tie($made, $joint->run);
                $ties =
                    $tie !== ShellTie::None &&
                    $joint->function === self::SCREEN &&
                    Node::fitting($joint->to) === $id &&
                    ! Node::isShell($joint->to);
                // A clamp ties the cable's own screen, not those of its pairs.
                if ($ties && ($tie === ShellTie::Lug || ! str_contains($joint->conductor, '/'))) {
                    $this->put(
                        new Edge(
                            EdgeId::shellTie($joint->to),
                            EdgeKind::Link,
                            $joint->to,
                            Node::terminal($id, ConnectorType::SHELL),
                        ),
                    );
                }
            }
        }
    }

    /** What really ties the shell: a lug is joined only where shells are bonded at that cable. */
    private function tie(ShellTie $made, string $run): ShellTie
    {
        return match ($made) {
            ShellTie::Lug => $this->bond($run) === ShellBond::Bonded
                ? ShellTie::Lug
                : ShellTie::None,
            ShellTie::Clamp => ShellTie::Clamp,
            ShellTie::None, ShellTie::Screen => ShellTie::None,
        };
    }

    private function bond(string $run): ShellBond
    {
        return $this->installation->rulesFor($this->installation->theRun($run))->on(ShellBond::class);
    }

    private function linksAmong(Assembly $assembly): void
    {
        $mine = array_fill_keys($assembly->fittings, true);
        $belongs = static function (string $node) use ($mine): bool {
            $fitting = Node::fitting($node);

            return $fitting === null || isset($mine[$fitting]);
        };
        foreach ($this->installation->links() as $i => $link) {
            [$from, $to] = [Node::named($link->from), Node::named($link->to)];
            if ($belongs($from) && $belongs($to)) {
                $this->put(new Edge(EdgeId::link($i), EdgeKind::Link, $from, $to));
            }
        }
        foreach ($this->installation->switches() as $switch) {
            [$from, $to] = [Node::named($switch->from), Node::named($switch->to)];
            if ($belongs($from) && $belongs($to)) {
                $this->put(
                    new Edge(
                        EdgeId::panelSwitch($switch->id),
                        EdgeKind::Switch,
                        $from,
                        $to,
                        closed: $switch->closedAtRest,
                    ),
                );
            }
        }
    }

    private function put(Edge $edge): void
    {
        $this->edges[$edge->id] = $edge;
    }
}
