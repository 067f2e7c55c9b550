<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Plan\Planning\Plan;

/**
 * Follows a circuit contact by contact: along the cores of a run, across what
 * is plugged together, over the jumpers and switches of a panel. It asks
 * nothing but the joints, so that it finds the same way from either end; a
 * whole circuit also goes on where it leaves a device that it entered.
 */
final class CircuitTracer
{
    /** @var array<int|string, array<int|string, list<Joint>>> fitting → address → joints */
    private array $at = [];

    /**
     * @var array<int|string, list<array{string, array<int|string, string>}>> fitting → what it is plugged into, with
     *     own address → theirs
     */
    private array $mates = [];

    /** @var array<int|string, list<string>> fitting → "device:port" */
    private array $ports = [];

    /** @var array<int|string, list<string>> fitting, a stroke, address → the same, over jumpers and switches */
    private array $links = [];

    /**
     * @var array<int|string, array<int|string, true>> of the circuit that is followed: fitting → its contacts; nothing
     *     where contacts are followed
     */
    private array $groups = [];

    /** @var list<array{string, list<string>}> where the last walk came to an end: fitting, its contacts */
    private array $ends = [];

    public function __construct(private readonly Installation $installation, private readonly Plan $plan)
    {
        foreach ($plan->runs as $id => $run) {
            foreach ($installation->theRun($id)->withdrawn ? [] : $run->joints() as $joint) {
                $this->at[self::fitting($joint)][self::address($joint)][] = $joint;
            }
        }
        foreach ($installation->matings() as $mating) {
            $this->mate($mating->fitting, $mating->with);
        }
        foreach ([...$installation->links(), ...array_values($installation->switches())] as $link) {
            [$from, $to] = [self::terminal($link->from), self::terminal($link->to)];
            $this->links[$from][] = $to;
            $this->links[$to][] = $from;
        }
    }

    /**
     * @return list<TraceStep> from its source where somebody said which that is, else from the end that is found first
     */
    public function circuit(string $circuit): array
    {
        $groups = [];
        foreach ($this->at as $fitting => $addresses) {
            foreach ($addresses as $address => $joints) {
                foreach ($joints as $joint) {
                    if ($joint->circuit === $circuit) {
                        $groups[(string) $fitting][(string) $address] = true;
                    }
                }
            }
        }
        if ($groups === []) {
            return [];
        }
        $this->groups = $groups;
        try {
            return $this->whole($circuit, $groups);
        } finally {
            $this->groups = [];
        }
    }

    /**
     * @param  non-empty-array<int|string, array<int|string, true>>  $groups
     * @return list<TraceStep>
     */
    private function whole(string $circuit, array $groups): array
    {
        $source = $this->installation->circuit($circuit)->from ?? '';
        if (isset($groups[$source])) {
            return $this->from($source, array_map(strval(...), array_keys($groups[$source])));
        }
        $first = (string) array_key_first($groups);
        $this->from($first, array_map(strval(...), array_keys($groups[$first])));
        // From where it began, nothing may lead back: walked from an end, all of it lies ahead.
        [$fitting, $addresses] =
            $this->ends === []
                ? [$first, array_map(strval(...), array_keys($groups[$first]))]
                : $this->ends[count($this->ends) - 1];

        return $this->from($fitting, $addresses);
    }

    /**
     * @param  list<string>  $addresses  contacts of one channel
     * @return list<TraceStep>
     */
    public function from(string $fitting, array $addresses): array
    {
        $seen = $steps = $this->ends = [];
        $this->atFitting($fitting, $addresses, 0, $seen, $steps);

        return $steps;
    }

    /**
     * @param  list<string>  $addresses
     * @param  array<int|string, true>  $seen
     * @param  list<TraceStep>  $steps
     */
    private function atFitting(string $fitting, array $addresses, int $depth, array &$seen, array &$steps): void
    {
        $fresh = array_values(
            array_filter($addresses, static fn (string $address): bool => ! isset($seen[$fitting.'/'.$address])),
        );
        if ($fresh === []) {
            return;
        }
        foreach ($fresh as $address) {
            $seen[$fitting.'/'.$address] = true;
        }
        $type = $this->installation->fitting($fitting);
        $joints = array_merge(
            ...array_map(fn (string $address): array => $this->at[$fitting][$address] ?? [], $fresh),
            ...[[]],
        );
        $connector = new TraceStep(
            $depth,
            'connector',
            $joints[0]->run ?? '',
            $this->name($fitting),
            $this->installation->locationName($type->location ?? ''),
            $this->contacts($fresh, $joints),
        );
        $ports = array_map(fn (string $port): TraceStep => $this->port($port, $depth), $this->ports[$fitting] ?? []);
        // A device stands before the connector in which a circuit begins, and after the one in which it ends.
        array_push($steps, ...$steps === [] ? [...$ports, $connector] : [$connector, ...$ports]);
        $onward = $this->onward($fitting, $fresh, $joints, $seen);
        if ($onward === []) {
            $this->ends[] = [$fitting, $fresh];
        }
        foreach ($onward as [$kind, $step, $next, $contacts]) {
            $deeper = $depth + (count($onward) > 1 ? 1 : 0);
            $steps[] = new TraceStep($deeper, $kind, $step->run, $step->name, $step->place, $step->contacts);
            $this->atFitting($next, $contacts, $deeper, $seen, $steps);
        }
    }

    /**
     * A chain goes in at one port of a device and out at another; where nobody
     * entered the device, both are at one place.
     *
     * @return list<array{string, TraceStep, string, list<string>}>
     */
    private function throughDevices(string $fitting): array
    {
        $onward = [];
        $here = $this->installation->fitting($fitting)->location ?? '';
        $own = $this->devices($fitting);
        foreach (array_diff_key($this->groups, [$fitting => true]) as $other => $contacts) {
            $theirs = $this->devices((string) $other);
            $shared = array_intersect($own, $theirs);
            $unnamed =
                $own === [] &&
                $theirs === [] &&
                $here !== '' &&
                ($this->installation->fitting($other)->location ?? null) === $here;
            if ($shared !== [] || $unnamed) {
                $through = $unnamed
                    ? 'what stands there'
                    : $this->installation->device(reset($shared))->name ?? 'a device';
                $onward[] = [
                    'device',
                    new TraceStep(0, 'device', '', 'through '.$through, $this->installation->locationName($here), []),
                    (string) $other,
                    array_map(strval(...), array_keys($contacts)),
                ];
            }
        }

        return $onward;
    }

    /** @return list<string> devices that a fitting is plugged into */
    private function devices(string $fitting): array
    {
        return array_map(
            static fn (string $port): string => PortRef::from($port)->device,
            $this->ports[$fitting] ?? [],
        );
    }

    private function port(string $port, int $depth): TraceStep
    {
        $device = PortRef::from($port)->device;
        $of = $this->installation->device($device);

        return new TraceStep(
            $depth,
            'port',
            '',
            trim(($of->name ?? $device).' '.($this->installation->port($port)->name ?? '')),
            $this->installation->locationName($of->location ?? ''),
            [],
        );
    }

    /**
     * Ways on from some contacts of a fitting that nobody has walked.
     *
     * @param  list<string>  $addresses
     * @param  list<Joint>  $joints
     * @param  array<int|string, true>  $seen
     * @return list<array{string, TraceStep, string, list<string>}> kind, the step itself, the fitting that it leads to,
     *     its contacts
     */
    private function onward(string $fitting, array $addresses, array $joints, array $seen): array
    {
        $onward = [];
        $byRun = [];
        foreach ($joints as $joint) {
            $byRun[$joint->run.' '.$joint->side->value][$joint->conductor] = $joint;
        }
        foreach ($byRun as $of) {
            $first = $of[array_key_first($of)];
            $far = [];
            foreach ($this->plan->runs[$first->run]->end($first->side->other())->joints as $other) {
                if (isset($of[$other->conductor])) {
                    $far[self::fitting($other)][] = self::address($other);
                }
            }
            $run = $this->installation->theRun($first->run);
            foreach ($far as $at => $contacts) {
                $step = new TraceStep(
                    0,
                    'run',
                    $run->id,
                    $run->code,
                    $this->installation->catalogue->cable($run->cable)->name ?? $run->cable,
                    array_map(strval(...), array_keys($of)),
                );
                $onward[] = ['run', $step, (string) $at, array_values(array_unique($contacts))];
            }
        }
        foreach ($this->mates[$fitting] ?? [] as [$mate, $map]) {
            $contacts = array_values(
                array_filter(
                    array_map(static fn (string $address): string => $map[$address] ?? $address, $addresses),
                    fn (string $address): bool => isset($this->at[$mate][$address]) ||
                        isset($this->links[$mate.'/'.$address]),
                ),
            );
            if ($contacts !== []) {
                $onward[] = ['mating', new TraceStep(0, 'mating', '', 'plugged into', '', []), $mate, $contacts];
            }
        }
        $over = [];
        foreach ($addresses as $address) {
            foreach ($this->links[$fitting.'/'.$address] ?? [] as $terminal) {
                $place = JoiningPlace::from($terminal);
                $over[$place->fitting][] = $place->address;
            }
        }
        foreach ($over as $at => $contacts) {
            $onward[] = [
                'jumper',
                new TraceStep(0, 'jumper', '', 'jumpers', '', []),
                (string) $at,
                array_values(array_unique($contacts)),
            ];
        }

        array_push($onward, ...$this->throughDevices($fitting));

        return array_values(
            array_filter($onward, static function (array $way) use ($seen): bool {
                foreach ($way[3] as $contact) {
                    if (! isset($seen[$way[2].'/'.$contact])) {
                        return true;
                    }
                }

                return false;
            }),
        );
    }

    /** A splice stands for a connector with one contact. */
    private static function fitting(Joint $joint): string
    {
        return Node::fitting($joint->to) ?? $joint->to;
    }

    private static function address(Joint $joint): string
    {
        return Node::fitting($joint->to) === null ? '' : $joint->address();
    }

    private function mate(string $fitting, string $with): void
    {
        if ($this->installation->fitting($with) === null) {
            $this->ports[$fitting][] = $with;

            return;
        }
        $map = self::map(
            $this->installation,
            $this->installation->fitting($fitting),
            $this->installation->theFitting($with),
        );
        $this->mates[$fitting][] = [$with, $map];
        $this->mates[$with][] = [$fitting, array_map(strval(...), array_flip($map))];
    }

    /** @return array<int|string, string> own address → the other's, where they differ */
    private static function map(Installation $in, ?Fitting $one, Fitting $other): array
    {
        foreach ($in->catalogue->connector($one->connector ?? '')->mates ?? [] as $mode) {
            if ($mode->with === $other->connector) {
                return $mode->contacts;
            }
        }

        return [];
    }

    /** Where a jumper or switch ends, as fitting and address are keyed here. */
    private static function terminal(string $place): string
    {
        $at = JoiningPlace::from($place);

        return $at->isSplice() ? Node::splice($at->splice).'/' : $at->text();
    }

    private function name(string $fitting): string
    {
        $of = $this->installation->fitting($fitting);
        $type = $this->installation->catalogue->connector($of->connector ?? '');

        return trim(($of->label ?? Node::place($fitting)->splice ?? $fitting).', '.($type->name ?? ''), ', ');
    }

    /**
     * @param  list<string>  $addresses
     * @param  list<Joint>  $joints
     * @return list<string>
     */
    private function contacts(array $addresses, array $joints): array
    {
        $functions = [];
        foreach ($joints as $joint) {
            $functions[$joint->address()] = $joint->function;
        }

        return array_map(
            static fn (string $address): string => trim($address.' '.($functions[$address] ?? '')),
            $addresses,
        );
    }
}
