<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Plan\Importing\Meanings;
use Sartal\Core\Plan\Proposing\Proposal;

/** The ports that a spreadsheet says its runs are plugged into. */
final class Plugs
{
    /** @var list<Mating> */
    public array $matings = [];

    /** @var array<string, true> ports that hold something */
    private array $held = [];

    public function __construct(private readonly Installation $in, private readonly MadeDevices $devices)
    {
        foreach ($in->matings() as $mating) {
            $this->held[$mating->with] = true;
        }
    }

    /**
     * @param  array<int|string, string>  $fields
     *
     * @throws BadLine where an end cannot be plugged in there
     */
    public function add(array $fields, Proposal $proposal): void
    {
        foreach (['a' => $proposal->run->a, 'b' => $proposal->run->b] as $side => $end) {
            $port = trim($fields['port_'.$side] ?? '');
            $device = trim($fields['device_'.$side] ?? '');
            $made = $this->devices->at('device_'.$side, $device, $end->location);
            if ($port !== '' && $made !== null) {
                $fitting = self::fitting('port_'.$side, $port, $end);
                $into = $this->made($side, $made, $port, $fitting, $proposal);
                $this->mate('port_'.$side, $port, $made->id, $into, $fitting);
            } elseif ($port !== '') {
                $this->plug('port_'.$side, $port, $device, $end);
            }
        }
    }

    private function made(string $side, Equipment $made, string $said, string $fitting, Proposal $proposal): Port
    {
        $signals = array_unique(array_map(static fn (Circuit $each): string => $each->signal, $proposal->circuits));

        return $this->devices->port(
            'port_'.$side,
            $made,
            $said,
            $proposal->fittings[$fitting]->connector,
            count($signals) === 1 ? array_values($signals)[0] : '',
            $side === 'a' ? PortDirection::Out : PortDirection::In,
        );
    }

    private function plug(string $field, string $said, string $device, End $end): void
    {
        $at = $this->in->equipment()[$device] ?? null;
        if ($at === null) {
            throw BadLine::because(
                $field,
                $said,
                'Say of which device, in a column of its own, or leave this column out.',
            );
        }
        $port = self::port($at, $said);
        if ($port === null) {
            $some = array_map(static fn (Port $each): string => $each->name, array_slice($at->ports, 0, 6));
            throw BadLine::because(
                $field,
                $said,
                sprintf('%s has no such port. It has %s.', $at->name, implode(', ', $some)),
            );
        }
        if ($at->location !== $end->location) {
            throw BadLine::because(
                $field,
                $said,
                sprintf('%s stands at %s. End the run there.', $at->name, $this->in->locationName($at->location)),
            );
        }
        $this->mate($field, $said, $at->id, $port, self::fitting($field, $said, $end));
    }

    private function mate(string $field, string $said, string $device, Port $port, string $fitting): void
    {
        $with = (new PortRef($device, $port->id))->text();
        if (isset($this->held[$with])) {
            throw BadLine::because($field, $said, 'Something is plugged in there already. Name another, or none.');
        }
        $this->matings[] = new Mating($fitting, $with);
        $this->held[$with] = true;
    }

    private static function fitting(string $field, string $said, End $end): string
    {
        $fittings = [];
        foreach ($end->legs as $leg) {
            if ($leg->landing !== null) {
                $fittings[$leg->landing->fitting] = true;
            }
        }
        if (count($fittings) !== 1) {
            throw BadLine::because(
                $field,
                $said,
                $fittings === []
                    ? 'This end has no connector to plug in. Say one, or leave the port out.'
                    : 'This end has several connectors. Leave the port out and plug them in one by one.',
            );
        }

        return (string) array_key_first($fittings);
    }

    /** By its id or name; else by its number, where one port alone has that. */
    private static function port(Equipment $at, string $said): ?Port
    {
        $plain = Meanings::plain($said);
        $byNumber = [];
        foreach ($at->ports as $port) {
            if ($port->id === $said || Meanings::plain($port->name) === $plain) {
                return $port;
            }
            if (ctype_digit($plain) && preg_match('~(?<!\d)0*'.ltrim($plain, '0').'$~', $port->name) === 1) {
                $byNumber[] = $port;
            }
        }

        return count($byNumber) === 1 ? $byNumber[0] : null;
    }
}
