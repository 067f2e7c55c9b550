<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\Entries;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;

/**
 * Things that go wrong at a bench, drawn by chance as edits of a wiring: a joint left out, two exchanged, one in
 * another contact, two contacts bridged. Not what the diagnosis looks for, which has its own ideas of faults.
 */
final class Mishaps
{
    public readonly Expectation $expectation;

    public readonly FaultPlaces $places;

    private readonly Randomizer $dice;

    /** @var array<int|string, list<string>> fitting → ids of its joints */
    private array $joints = [];

    public function __construct(public readonly Bench $bench, int $seed)
    {
        $plan = $bench->plan();
        $assemblies = $bench->assemblies($plan);
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
        $this->expectation = $assemblies->expectation($assembly);
        $this->places = $assemblies->places($assembly);
        $this->dice = new Randomizer(new Mt19937($seed));
        foreach ($this->expectation->wiring->edges as $edge) {
            $fitting = $edge->kind === EdgeKind::Joint ? Node::fitting($edge->to) : null;
            if ($fitting !== null) {
                $this->joints[$fitting][] = $edge->id;
            }
        }
    }

    /** Two of them, on joints of their own, whose reading is not that of a good cable. */
    public function double(): Wiring
    {
        for (; ;) {
            $one = $this->mishap($this->expectation->wiring);
            $once = $this->expectation->wiring->edited(new WiringEdit($one));
            $other = $one === [] ? [] : $this->mishap($once);
            if ($other === [] || array_intersect_key($one, $other) !== []) {
                continue;
            }
            $twice = $once->edited(new WiringEdit($other));
            $reading = MapMethod::read($twice, $this->expectation->setup);
            if ($reading->lights !== $this->expectation->reading->lights) {
                return $twice;
            }
        }
    }

    /** One of them, whose reading is not that of a good cable. */
    public function single(): Wiring
    {
        for (; ;) {
            $made = $this->expectation->wiring->edited(new WiringEdit($this->mishap($this->expectation->wiring)));
            $reading = MapMethod::read($made, $this->expectation->setup);
            if ($reading->lights !== $this->expectation->reading->lights) {
                return $made;
            }
        }
    }

    /** Whether the very wiring is one of the causes, and all of them read as it does. */
    public function isTold(Wiring $made): bool
    {
        $reading = MapMethod::read($made, $this->expectation->setup);
        $troubles = Diagnostician::for($this->places, $this->expectation, $reading)->troubles;
        $isTold = false;
        foreach (count($troubles) === 1 ? $troubles[0]->causes : [] as $cause) {
            $with = $this->expectation->wiring;
            foreach ($cause->faults as $fault) {
                $with = $with->edited($fault->edit);
            }
            $isTold = $isTold || self::joined($with) === self::joined($made);
            if (MapMethod::read($with, $this->expectation->setup)->lights !== $reading->lights) {
                return false;
            }
        }

        return $isTold;
    }

    /**
     * The place in the list of the very wiring, of all troubles the furthest.
     *
     * @return ?int null where it is not listed; -1 where single faults explain it
     */
    public function place(Wiring $made): ?int
    {
        $reading = MapMethod::read($made, $this->expectation->setup);
        $lists = [];
        $least = 0;
        foreach (Diagnostician::for($this->places, $this->expectation, $reading)->troubles as $trouble) {
            if ($trouble->causes === []) {
                return null;
            }
            $least += count($trouble->causes[0]->faults);
            $lists[] = array_slice(Entries::of($trouble, $this->expectation), 0, 8);
        }

        return $least < 2 ? -1 : $this->among($lists, $this->expectation->wiring, self::joined($made), 0);
    }

    /** @param  list<list<non-empty-list<\Sartal\Core\Proof\Diagnosing\Cause>>>  $lists */
    private function among(array $lists, Wiring $wiring, string $wanted, int $furthest): ?int
    {
        if ($lists === []) {
            return self::joined($wiring) === $wanted ? $furthest : null;
        }
        $best = null;
        foreach (array_shift($lists) ?? [] as $place => $entry) {
            foreach ($entry as $cause) {
                $with = $wiring;
                foreach ($cause->faults as $fault) {
                    $with = $with->edited($fault->edit);
                }
                $found = $this->among($lists, $with, $wanted, max($furthest, $place));
                $best = $found === null ? $best : min($best ?? $found, $found);
            }
        }

        return $best;
    }

    /** Everything but the cores themselves, in an order of its own. */
    private static function joined(Wiring $wiring): string
    {
        $pairs = [];
        foreach ($wiring->edges as $edge) {
            $ends = [$edge->from, $edge->to];
            sort($ends);
            array_push($pairs, ...$edge->kind === EdgeKind::Conductor ? [] : [implode(' ', $ends)]);
        }
        sort($pairs);

        return implode("\n", $pairs);
    }

    /** @return array<string, ?Edge> nothing where the dice fell so that nothing would change */
    private function mishap(Wiring $wiring): array
    {
        $fitting = $this->dice->pickArrayKeys($this->joints, 1)[0];
        $made = array_map(static fn (string $id): ?Edge => $wiring->edges[$id] ?? null, $this->joints[$fitting]);
        $joints = array_values(array_filter($made));
        $terminals = $this->places->terminals[$fitting];
        $pick = fn (array $of): mixed => $of[$this->dice->getInt(0, count($of) - 1)];
        [$joint, $other] = [$pick($joints), $pick($joints)];
        [$one, $two] = [$pick($terminals), $pick($terminals)];

        return match ($this->dice->getInt(0, 3)) {
            0 => [$joint->id => null],
            1 => $joint->to === $other->to
                ? []
                : [$joint->id => $joint->movedTo($other->to), $other->id => $other->movedTo($joint->to)],
            2 => $one === $joint->to ? [] : [$joint->id => $joint->movedTo($one)],
            default => $one === $two
                ? []
                : ['solder '.$one.' '.$two => new Edge('solder '.$one.' '.$two, EdgeKind::Stray, $one, $two)],
        };
    }
}
