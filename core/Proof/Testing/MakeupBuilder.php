<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Reach\Stretch;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;

/** Reads from the cables of an assembly what a netlist does not say. */
final class MakeupBuilder
{
    /**
     * A core against the screen round it, by its capacitance against the other core: common practice for screened
     * pairs.
     */
    private const TO_SCREEN = 1.8;

    /** The function that a screen's contact has. */
    private const SCREEN = 'screen';

    /** @var array<int|string, CableType> by run */
    private array $cables = [];

    /**
     * @param  list<Joint>  $joints
     * @param  array<int|string, Probe>  $from
     */
    private function __construct(private readonly array $joints, private readonly array $from)
    {
    }

    /**
     * @param  list<Joint>  $joints  of the assembly's runs
     * @param  array{array<int|string, Probe>, array<int|string, Probe>}  $probes  what is touched, what is watched
     * @param  list<PairCheck>  $pairs
     */
    public static function build(
        Assembly $assembly,
        array $joints,
        array $probes,
        array $pairs,
        Installation $installation,
    ): Makeup {
        $builder = new self($joints, $probes[0]);
        foreach ($assembly->runs as $run) {
            $cable = $installation->catalogue->cable($installation->run($run)->cable ?? '');
            if ($cable !== null) {
                $builder->cables[$run] = $cable;
            }
        }
        $ends = $seats = $bare = $plates = [];
        $mains = $category = false;
        foreach ($builder->cables as $run => $cable) {
            $run = (string) $run;
            foreach ($cable->conductors() as $path => $conductor) {
                $id = EdgeId::conductor($run, (string) $path);
                $ends[$id] = [
                    Node::conductor($run, Side::A, (string) $path),
                    Node::conductor($run, Side::B, (string) $path),
                ];
                $mains = $mains || $conductor->domain === HazardDomain::Mains;
                if ($conductor->isBare()) {
                    $bare[$id] = true;
                }
            }
            $category = $category || $cable->category !== '';
            $seats += self::seats($run, $cable);
            array_push($plates, ...self::plates($run, $cable));
        }

        return new Makeup(
            $builder->colours(),
            $builder->apart($mains, $probes[0] + $probes[1]),
            $plates,
            $ends,
            $seats,
            $bare,
            $builder->screens($pairs),
            $builder->delays($pairs),
            $builder->earths($installation),
            $mains,
            $category,
            $mains ? $builder->live($probes[0] + $probes[1]) : [],
        );
    }

    /**
     * What mains comes to, and what else its connectors have: a spare contact or a shell beside it is none of the
     * signal's.
     *
     * @param  array<int|string, Probe>  $probes
     * @return array<int|string, true>
     */
    private function live(array $probes): array
    {
        $live = $fed = $shared = [];
        foreach ($this->joints as $joint) {
            $fitting = Node::fitting($joint->to) ?? $joint->to;
            if ($this->conductor($joint)?->domain === HazardDomain::Mains) {
                $live[$joint->to] = $fed[$fitting] = true;
            } else {
                $shared[$fitting] = true;
            }
        }
        foreach ($probes as $node => $probe) {
            if (isset($fed[$probe->fitting]) && ! isset($shared[$probe->fitting])) {
                $live[$node] = true;
            }
        }
        // An end without a connector: its cores themselves.
        foreach ($this->cables as $run => $cable) {
            foreach ($cable->conductors() as $path => $conductor) {
                foreach ($conductor->domain === HazardDomain::Mains ? Side::cases() : [] as $side) {
                    $live[Node::conductor((string) $run, $side, (string) $path)] = true;
                }
            }
        }

        return array_intersect_key($live, $probes);
    }

    /** @return array<int|string, string> */
    private function colours(): array
    {
        $colours = [];
        foreach ($this->joints as $joint) {
            $cable = $this->cables[$joint->run] ?? null;
            $slash = strrpos($joint->conductor, '/');
            // Pairs that look alike are told apart by what they lie in.
            $within = $slash === false ? '' : $cable?->element(substr($joint->conductor, 0, $slash))->label ?? '';
            $colours[$joint->id()] = trim($within.' '.($cable?->element($joint->conductor)->colour ?? ''));
        }

        return $colours;
    }

    /**
     * Contacts of one element against each other and against their shell; and
     * mains against everything that is not, at either end.
     *
     * @param  array<int|string, Probe>  $probes
     * @return list<array{string, string}>
     */
    private function apart(bool $mains, array $probes): array
    {
        $apart = [];
        $elements = $shells = $live = $others = [];
        foreach ($this->joints as $joint) {
            if ($this->conductor($joint)?->domain === HazardDomain::Mains) {
                $live[$joint->side->value][$joint->to] = true;
            }
            if (! isset($this->from[$joint->to])) {
                continue;
            }
            $fitting = Node::fitting($joint->to) ?? '';
            $slash = strrpos($joint->conductor, '/');
            $elements[
                $fitting."\n".$joint->run.'/'.($slash === false ? '' : substr($joint->conductor, 0, $slash))
            ][$joint->to] = true;
            $shells[$fitting][$joint->to] = true;
        }
        foreach ($elements as $nodes) {
            array_push($apart, ...self::each(array_map(strval(...), array_keys($nodes))));
        }
        foreach ($this->from as $node => $_) {
            $node = (string) $node;
            foreach (Node::isShell($node) ? $shells[Node::fitting($node) ?? ''] ?? [] : [] as $contact => $_) {
                $apart[] = [(string) $contact, $node];
            }
        }
        foreach ($mains ? array_diff_key($probes, $this->live($probes)) : [] as $node => $probe) {
            $others[$probe->side->value][$node] = true;
        }
        // At both ends: a core of mains that lies on a contact of signal at one shows at the other alone.
        foreach ($mains ? $live : [] as $side => $here) {
            foreach (array_keys($here) as $one) {
                foreach (array_keys($others[$side] ?? []) as $other) {
                    $apart[] = [(string) $one, (string) $other];
                }
            }
        }

        return $apart;
    }

    /**
     * @param  list<string>  $nodes
     * @return list<array{string, string}>
     */
    private static function each(array $nodes): array
    {
        $pairs = [];
        foreach ($nodes as $i => $one) {
            foreach (array_slice($nodes, $i + 1) as $other) {
                $pairs[] = [$one, $other];
            }
        }

        return $pairs;
    }

    /** @return array<int|string, int> */
    private static function seats(string $run, CableType $cable): array
    {
        $seats = [];
        foreach ($cable->elements() as $path => $element) {
            $place = 0;
            foreach ($element->kind === ElementKind::Quad ? $element->children : [] as $child) {
                if ($child->kind === ElementKind::Core) {
                    $seats[EdgeId::conductor($run, $path.'/'.$child->key)] = $place++;
                }
            }
        }

        return $seats;
    }

    /** @return list<array{core: string, screen: string, nanofaradsPerMetre: float}> */
    private static function plates(string $run, CableType $cable): array
    {
        $plates = [];
        $screens = array_filter($cable->conductors(), static fn (Conductor $conductor): bool => $conductor->isBare());
        foreach ($cable->conductors() as $path => $core) {
            foreach ($core->isBare() ? [] : $screens as $bare => $screen) {
                if ($screen->parent !== $core->parent) {
                    continue;
                }
                $stretch = new Stretch($run, $cable, $core->parent, Length::metres(1));
                $picofarads = $stretch->picofaradsPerMetre();
                if ($picofarads !== null) {
                    $factor = $stretch->coax() === null ? self::TO_SCREEN : 1.0;
                    $plates[] = [
                        'core' => EdgeId::conductor($run, (string) $path),
                        'screen' => EdgeId::conductor($run, (string) $bare),
                        'nanofaradsPerMetre' => ($picofarads * $factor) / 1000,
                    ];
                }

                // A second bare conductor lies against the first: it is the same plate.
                break;
            }
        }

        return $plates;
    }

    /**
     * @param  list<PairCheck>  $pairs
     * @return array<int|string, string>
     */
    private function screens(array $pairs): array
    {
        $screens = [];
        foreach ($this->joints as $joint) {
            if ($joint->function === self::SCREEN && ! Node::isShell($joint->to)) {
                $screens[$joint->circuit."\n".(Node::fitting($joint->to) ?? '')] ??= $joint->to;
            }
        }
        $of = [];
        foreach ($pairs as $pair) {
            foreach ($this->joints as $joint) {
                $screen = $screens[$joint->circuit."\n".(Node::fitting($joint->to) ?? '')] ?? '';
                if ($joint->to === $pair->nodes[0] && $screen !== '') {
                    $of[$pair->id] = $screen;
                }
            }
        }

        return $of;
    }

    /**
     * @param  list<PairCheck>  $pairs
     * @return array<int|string, float>
     */
    private function delays(array $pairs): array
    {
        $first = array_column(
            array_map(static fn (PairCheck $pair): array => [$pair->nodes[0] ?? '', $pair->id], $pairs),
            1,
            0,
        );
        $delays = [];
        foreach ($this->joints as $joint) {
            $pair = $first[$joint->to] ?? null;
            $cable = $this->cables[$joint->run] ?? null;
            if ($pair !== null && $cable !== null) {
                $velocity = (new Stretch(
                    $joint->run,
                    $cable,
                    (string) $this->conductor($joint)?->parent,
                    Length::metres(1),
                ))->velocity();
                if ($velocity !== null) {
                    $delays[$pair] = 1e9 / ($velocity * Stretch::LIGHT);
                }
            }
        }

        return $delays;
    }

    /** @return list<string> */
    private function earths(Installation $installation): array
    {
        $earths = [];
        foreach ($this->joints as $joint) {
            $signal = $installation->catalogue->signal($installation->circuit($joint->circuit)->signal ?? '');
            if (isset($this->from[$joint->to]) && $signal?->isProtective($joint->function) === true) {
                $earths[$joint->to] = true;
            }
        }

        return array_map(strval(...), array_keys($earths));
    }

    private function conductor(Joint $joint): ?Conductor
    {
        return ($this->cables[$joint->run] ?? null)?->conductors()[$joint->conductor] ?? null;
    }
}
