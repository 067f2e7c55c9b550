<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
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

    public function __construct(private readonly Installation $in)
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
            if ($port !== '') {
                $this->plug('port_'.$side, $port, trim($fields['device_'.$side] ?? ''), $end);
            }
        }
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
        $with = (new PortRef($at->id, $port->id))->text();
        if (isset($this->held[$with])) {
            throw BadLine::because($field, $said, 'Something is plugged in there already. Name another, or none.');
        }
        if ($at->location !== $end->location) {
            throw BadLine::because(
                $field,
                $said,
                sprintf('%s stands at %s. End the run there.', $at->name, $this->in->locationName($at->location)),
            );
        }
        $this->matings[] = new Mating(self::fitting($field, $said, $end), $with);
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
