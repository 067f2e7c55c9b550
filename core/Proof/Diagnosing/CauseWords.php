<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Installation;

/** Names a cause as a technician would, and says what it does to the signal. */
final class CauseWords
{
    /** Cores that are named one by one. */
    private const PLACED = 8;

    /** @var array<int|string, list<Joint>> by terminal */
    private array $at = [];

    /** @var array<int|string, Joint> by joint id */
    private array $joints = [];

    /** @var array<int|string, array<int|string, true>> fitting → channels on it */
    private array $channels = [];

    /** @param  list<Joint>  $joints */
    public function __construct(private readonly Installation $installation, array $joints)
    {
        foreach ($joints as $joint) {
            $this->at[$joint->to][] = $joint;
            $this->joints[$joint->id()] = $joint;
            $this->channels[Node::fitting($joint->to) ?? ''][$joint->channel] = true;
        }
    }

    public function name(Fault $fault): string
    {
        $place = $this->place($fault);
        $contacts = array_map(Node::address(...), $fault->nodes);

        return match ($fault->kind) {
            FaultKind::Open => $this->open($fault, $place),
            FaultKind::Exchanged => sprintf(
                '%s and %s are exchanged at %s, or their labels are',
                $this->label($fault->nodes[0]),
                $this->label($fault->nodes[1]),
                $place,
            ),
            FaultKind::Swap, FaultKind::Move => $this->isBetween($fault)
                ? $this->between($fault, $place)
                : $this->within($fault, $place),
            FaultKind::Short => sprintf('%s are bridged at %s', ucfirst($this->both($fault->nodes)), $place),
            FaultKind::ShellBond => sprintf(
                '%s touches the shell at %s',
                ucfirst($this->contact($this->notShell($fault->nodes))),
                $place,
            ),
            FaultKind::Crossed => sprintf(
                'Two elements are exchanged at %s: contacts %s',
                $place,
                $this->exchanges($contacts),
            ),
            FaultKind::Shift => count($fault->nodes) > 2
                ? sprintf('Contacts %s are turned round by one at %s', implode(', ', $contacts), $place)
                : sprintf(
                    'Everything from contact %s to %s sits %s at %s%s',
                    $contacts[0],
                    $contacts[1],
                    self::out($fault->by, 'place'),
                    $place,
                    self::beyond($fault),
                ),
            FaultKind::Channels => sprintf(
                'Channels %s each sit %s at %s%s',
                $this->channelsOf($fault),
                self::out($fault->by, 'channel'),
                $place,
                self::beyond($fault),
            ),
            FaultKind::OtherScheme => sprintf('The cores are laid by the other colour scheme at %s', $place),
            FaultKind::UpsideDown => sprintf(
                'It is loaded upside down at %s: contact %s where %s belongs, and so on',
                $place,
                Node::address($fault->nodes[0]),
                Node::address($this->target($fault)),
            ),
            FaultKind::WrongSide => sprintf(
                'Its contacts are counted from the wrong side at %s: %s is taken for %s, and so on',
                $place,
                Node::address($fault->nodes[0]),
                Node::address($this->target($fault)),
            ),
            FaultKind::Shuffled => sprintf(
                '%d cores are out of place at %s: %s',
                count($fault->nodes),
                $place,
                $this->placed($fault),
            ),
            FaultKind::PinOrder => sprintf(
                'The colours are laid in the order of the pins at %s, where its terminals have a print of their own',
                $place,
            ),
            FaultKind::Mirrored => sprintf(
                '%s are swapped at both ends alike',
                ucfirst($this->both(array_slice($fault->nodes, 0, 2))),
            ),
            FaultKind::Leak => $fault->nodes === []
                ? sprintf(
                    '%s and %s leak to each other inside the cable',
                    $this->conductor($fault->edges[0]),
                    $this->conductor($fault->edges[1]),
                )
                : sprintf('%s leak to each other by some kilohms at %s', ucfirst($this->both($fault->nodes)), $place),
            FaultKind::Loose => $fault->nodes === []
                ? sprintf('The conductor %s is broken inside and comes and goes', $this->conductor($fault->edges[0]))
                : sprintf('%s comes and goes at %s', ucfirst($this->contact($fault->nodes[0])), $place),
            FaultKind::Stuck => sprintf(
                'The switch between %s stays %s',
                implode(' and ', array_map($this->far(...), $fault->nodes)),
                $fault->by === 0 ? 'at rest' : 'operated',
            ),
            FaultKind::Length => sprintf(
                'The cable of %s is %d %% %s than planned: another one was cut, or is plugged in',
                $this->code($fault->edges[0]),
                abs($fault->by),
                $fault->by > 0 ? 'longer' : 'shorter',
            ),
            FaultKind::Split => sprintf(
                'The cores on contacts %s and %s are exchanged at both ends: a split pair',
                $contacts[0],
                $contacts[1],
            ),
        };
    }

    private static function out(int $by, string $what): string
    {
        return sprintf(
            '%d %s too far %s',
            abs($by),
            $what.(abs($by) === 1 ? '' : 's'),
            $by > 0 ? 'on' : 'back',
        );
    }

    private static function beyond(Fault $fault): string
    {
        return match ($fault->beyond) {
            'round' => $fault->by > 0 ? ', the last on the first' : ', the first on the last',
            'lost' => ', and what finds no place is left over',
            default => '',
        };
    }

    /** "1 to 8" */
    private function channelsOf(Fault $fault): string
    {
        $channels = [];
        foreach ($fault->nodes as $node) {
            foreach ($this->at[$node] ?? [] as $joint) {
                $channels[$joint->channel] = true;
            }
        }
        unset($channels['']);
        $channels = array_map(strval(...), array_keys($channels));
        sort($channels, SORT_NATURAL);

        return $channels === [] ? '' : $channels[0].' to '.$channels[count($channels) - 1];
    }

    /** "what belongs on 3 sits on 7, 7 on 12, 8 is open, and 66 more" */
    private function placed(Fault $fault): string
    {
        $said = [];
        foreach (array_slice($fault->edges, 0, self::PLACED) as $i => $id) {
            $edge = $fault->edit->edges[$id];
            $said[] = sprintf(
                $edge === null ? '%s is on none' : '%s on %s',
                Node::address($fault->nodes[$i]),
                Node::address($edge->to ?? ''),
            );
        }
        $more = count($fault->edges) - count($said);

        return 'what belongs on '.implode(', ', $said).($more > 0 ? sprintf(', and %d more', $more) : '');
    }

    /** Where what belongs on the first contact of a fault sits. */
    private function target(Fault $fault): string
    {
        return $fault->edit->edges[$fault->edges[0]]->to ?? $fault->nodes[0];
    }

    /** Whether it concerns two connectors of one end. */
    private function isBetween(Fault $fault): bool
    {
        return Node::fitting($fault->nodes[0]) !== Node::fitting($fault->nodes[1]);
    }

    private function between(Fault $fault, string $place): string
    {
        [$one, $other] = array_map($this->far(...), $fault->nodes);

        return $fault->kind === FaultKind::Swap
            ? sprintf('%s and %s are swapped at %s', ucfirst($one), $other, $place)
            : sprintf('The core for %s sits on %s at %s', $one, $other, $place);
    }

    private function within(Fault $fault, string $place): string
    {
        return $fault->kind === FaultKind::Swap
            ? sprintf('%s are swapped at %s', ucfirst($this->both($fault->nodes)), $place)
            : sprintf(
                'The core for %s sits on contact %s at %s',
                $this->contact($fault->nodes[0]),
                Node::address($fault->nodes[1]),
                $place,
            );
    }

    private function label(string $node): string
    {
        return $this->installation->fitting(Node::fitting($node) ?? '')->label ?? '';
    }

    private function open(Fault $fault, string $place): string
    {
        return match (true) {
            $fault->nodes === [] => sprintf(
                'The conductor %s is broken along the cable',
                $this->conductor($fault->edges[0]),
            ),
            count($fault->nodes) === 1 => sprintf(
                '%s is open at %s',
                ucfirst($this->contact($fault->nodes[0])),
                $place,
            ),
            array_filter($fault->nodes, Node::isShell(...)) !== [] => sprintf(
                'The shell is not joined to %s at %s',
                $this->contact($this->notShell($fault->nodes)),
                $place,
            ),
            default => sprintf(
                'The wire between %s is missing',
                implode(' and ', array_map($this->far(...), $fault->nodes)),
            ),
        };
    }

    /** A contact with the name of its connector. */
    private function far(string $node): string
    {
        return trim($this->label($node).' '.$this->contact($node));
    }

    private function code(string $conductor): string
    {
        $run = EdgeId::runOf($conductor);

        return $this->installation->run($run)->code ?? $run;
    }

    public function consequence(Fault $fault): string
    {
        foreach ($this->concerned($fault) as $circuit => $functions) {
            $signal = $this->installation->catalogue->signal($this->installation->circuit($circuit)->signal ?? '');
            $words = $signal?->consequence($fault->kind->reads()->value, $functions) ?? '';
            if ($words !== '') {
                return $words;
            }
        }

        return match ($fault->kind) {
            FaultKind::Loose => 'It works on the bench and crackles when somebody moves it.',
            FaultKind::Leak => 'Noise, and a level that sags; near mains a shock.',
            FaultKind::Mirrored => 'It passes a map. Where the screen carries a signal it hums.',
            FaultKind::Stuck => 'It does what it does whatever the switch says.',
            FaultKind::Exchanged => 'Each carries what belongs on the other.',
            FaultKind::Channels => 'Each carries what belongs on another.',
            FaultKind::UpsideDown, FaultKind::WrongSide => 'Nothing comes through as it should.',
            FaultKind::OtherScheme => 'Two pairs are crossed against the far end.',
            FaultKind::PinOrder => 'Nothing comes through as it should, and pairs are split.',
            FaultKind::Length => 'Loss and delay are not those that were planned.',
            default => '',
        };
    }

    /** The fitting to open; "" where the fault is in the cable or at both ends. */
    public function fitting(Fault $fault): string
    {
        $fittings = array_unique(
            array_map(static fn (string $node): string => Node::fitting($node) ?? '', $fault->nodes),
        );

        return count($fittings) === 1 ? $fittings[0] : '';
    }

    /** "A" or "B"; "" where the fault is in the cable, at both ends, or where ends of both kinds meet. */
    public function side(Fault $fault): string
    {
        $sides = [];
        foreach ($fault->nodes as $node) {
            foreach ($this->at[$node] ?? [] as $joint) {
                $sides[$joint->side->value] = true;
            }
        }

        return count($sides) === 1 ? (string) array_key_first($sides) : '';
    }

    /** @return array<int|string, list<string>> circuit → functions */
    private function concerned(Fault $fault): array
    {
        $functions = [];
        $joints = [];
        foreach ($fault->nodes as $node) {
            array_push($joints, ...$this->at[$node] ?? []);
        }
        if ($fault->nodes === []) {
            $joints = array_filter(
                $this->joints,
                fn (Joint $joint): bool => EdgeId::conductor($joint->run, $joint->conductor) === $fault->edges[0],
            );
        }
        foreach ($joints as $joint) {
            if (! in_array($joint->function, $functions[$joint->circuit] ?? [], true)) {
                $functions[$joint->circuit][] = $joint->function;
            }
        }

        return $functions;
    }

    private function place(Fault $fault): string
    {
        $fitting = $this->installation->fitting($this->fitting($fault));
        $side = $this->side($fault);
        if ($fitting === null) {
            return $side === '' ? 'both ends' : 'end '.$side;
        }

        return ($side === '' ? '' : 'end '.$side.', ').$fitting->label;
    }

    private function contact(string $node): string
    {
        $address = Node::isShell($node) ? 'the shell' : 'contact '.Node::address($node);
        $serves = $this->serves($node);

        return $serves === '' ? $address : sprintf('%s (%s)', $address, $serves);
    }

    /** "cold", or "channel 3 cold" where the connector holds several channels. */
    private function serves(string $node): string
    {
        $joint = $this->at[$node][0] ?? null;
        if ($joint === null || $joint->function === '') {
            return '';
        }
        $several = $this->channels[Node::fitting($node) ?? ''] ?? [];

        return (count($several) > 1 ? 'channel '.$joint->channel.' ' : '').$joint->function;
    }

    /** @param  list<string>  $nodes */
    private function both(array $nodes): string
    {
        $serves = array_map($this->serves(...), $nodes);

        return in_array('', $serves, true)
            ? implode(' and ', array_map($this->contact(...), $nodes))
            : sprintf(
                '%s and %s, contacts %s and %s,',
                $serves[0],
                $serves[1],
                Node::address($nodes[0]),
                Node::address($nodes[1]),
            );
    }

    /** @param  list<string>  $nodes */
    private function notShell(array $nodes): string
    {
        return Node::isShell($nodes[0]) ? $nodes[1] : $nodes[0];
    }

    /** @param  list<string>  $contacts */
    private function exchanges(array $contacts): string
    {
        $pairs = array_map(static fn (array $pair): string => implode(' with ', $pair), array_chunk($contacts, 2));

        return implode(', ', $pairs);
    }

    private function conductor(string $edge): string
    {
        [$run, $path] = [EdgeId::runOf($edge), EdgeId::pathOf($edge)];
        $cable = $this->installation->catalogue->cable($this->installation->run($run)->cable ?? '');

        return trim(($cable?->element($path)->label ?? '').' '.$path);
    }
}
