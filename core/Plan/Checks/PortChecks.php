<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Level;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Plan\Runs\RunPlans;

/** The ports that a circuit joins: one source, sinks of its signal and level; and the ports that stay free. */
final class PortChecks implements NeighbourCheck
{
    /** @var ?array<int|string, string> fitting → the port that it is plugged into */
    private ?array $mated = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        $findings = [];
        foreach ($this->byCircuit($near, $runs) as $id => $ports) {
            $circuit = $this->installation->circuit($id);
            if ($circuit !== null) {
                array_push($findings, ...self::judgeOne($circuit, $ports, $this->installation));
            }
        }

        return $findings;
    }

    /**
     * @return array<int|string, array<int|string, array{Port, string}>> circuit → "device:port" → port, and a run that
     *     leads there
     */
    private function byCircuit(Neighbourhood $near, RunPlans $runs): array
    {
        $this->mated ??= self::mated($this->installation);
        $mated = array_intersect_key($this->mated, array_flip($near->fittings()));
        $circuits = [];
        foreach ($mated === [] ? [] : $runs as $run) {
            foreach ($run->joints() as $joint) {
                $with = $mated[Node::fitting($joint->to) ?? ''] ?? null;
                $port = $with === null ? null : $this->installation->port($with);
                if ($port !== null && $joint->circuit !== '') {
                    $circuits[$joint->circuit][$with] = [$port, $joint->run];
                }
            }
        }

        return $circuits;
    }

    /** @return array<int|string, string> fitting → port */
    private static function mated(Installation $installation): array
    {
        $mated = [];
        foreach ($installation->matings() as $mating) {
            if ($installation->port($mating->with) !== null) {
                $mated[$mating->fitting] = $mating->with;
            }
        }

        return $mated;
    }

    /**
     * @param  array<int|string, array{Port, string}>  $ports
     * @return list<Finding>
     */
    private static function judgeOne(Circuit $circuit, array $ports, Installation $installation): array
    {
        $findings = [];
        $sources = [];
        $sinks = [];
        foreach ($ports as $with => [$port, $run]) {
            $name = self::name((string) $with, $port, $installation);
            if ($port->signal !== '' && $port->signal !== $circuit->signal) {
                $findings[] = Finding::stop(
                    'port.signal',
                    Subject::run($run),
                    sprintf(
                        '%s carries %s, and %s is for %s.',
                        $circuit->name,
                        self::signal($circuit->signal, $installation),
                        $name,
                        self::signal($port->signal, $installation),
                    ),
                    'Plug it into a port for that signal.',
                );
            }
            if ($port->direction === PortDirection::Out) {
                $sources[$name] = [$port, $run];
            } elseif ($port->direction === PortDirection::In) {
                $sinks[$name] = [$port, $run];
            }
        }
        if (count($sources) > 1) {
            [, $run] = reset($sources);
            $findings[] = Finding::stop(
                'port.two-outputs',
                Subject::run($run),
                sprintf('%s joins outputs to each other: %s.', $circuit->name, implode(' and ', array_keys($sources))),
                'Keep one source for a circuit.',
            );
        }
        if ($sources === [] && count($sinks) > 1) {
            [, $run] = reset($sinks);
            $findings[] = Finding::check(
                'port.no-source',
                Subject::run($run),
                sprintf('%s joins inputs only: %s.', $circuit->name, implode(' and ', array_keys($sinks))),
                'Plug its source into an output.',
            );
        }
        foreach ($sources as $from => [$source, $run]) {
            foreach ($sinks as $to => [$sink]) {
                if ($source->level !== Level::None && $sink->level !== Level::None && $source->level !== $sink->level) {
                    $words = sprintf(
                        '%s gives %s level, and %s expects %s.',
                        $from,
                        $source->level->value,
                        $to,
                        $sink->level->value,
                    );
                    $findings[] =
                        $source->level === Level::Speaker
                            ? Finding::stop(
                                'port.level',
                                Subject::run($run),
                                $words,
                                'Take the signal before the amplifier.',
                            )
                            : Finding::check(
                                'port.level',
                                Subject::run($run),
                                $words,
                                'Choose a port of that level, or put a preamplifier or pad between.',
                            );
                }
            }
        }

        return $findings;
    }

    /** @return list<Finding> about devices */
    public static function spare(Installation $installation): array
    {
        $taken = [];
        foreach ($installation->matings() as $mating) {
            $taken[$mating->with] = true;
        }
        $findings = [];
        foreach ($installation->equipment() as $device) {
            $spare = array_filter(
                $device->ports,
                static fn (Port $port): bool => ! isset($taken[(new PortRef($device->id, $port->id))->text()]),
            );
            if ($spare !== []) {
                $names = array_map(static fn (Port $port): string => $port->name, array_values($spare));
                $shown = array_slice($names, 0, 6);
                $findings[] = Finding::note(
                    'port.spare',
                    Subject::equipment($device->id),
                    sprintf(
                        '%s has %d of %d ports spare: %s%s.',
                        $device->name,
                        count($spare),
                        count($device->ports),
                        implode(', ', $shown),
                        count($names) > 6 ? ' …' : '',
                    ),
                    'Nothing to do, unless one was meant to be used.',
                );
            }
        }

        return $findings;
    }

    private static function name(string $with, Port $port, Installation $installation): string
    {
        $device = PortRef::from($with)->device;

        return trim(($installation->device($device)->name ?? '').' '.$port->name);
    }

    private static function signal(string $id, Installation $installation): string
    {
        return $installation->catalogue->signal($id)->name ?? $id;
    }
}
