<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Catalogue\Coloured;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;

/**
 * Connectors get boots of a colour; or of one colour for each group of so many, as digits are coloured: brown for the
 * first. Source: IEC 60062.
 */
final readonly class Boots implements Gesture
{
    private const DIGITS = [
        'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white', 'black',
    ];

    /**
     * @param  list<string>  $fittings  in the order in which they are numbered
     * @param  string  $colour  "" by groups; "usual" as the connector has it
     * @param  int  $each  connectors of one colour, where it is by groups
     */
    public function __construct(private array $fittings, private string $colour, private int $each = 8)
    {
    }

    public function draw(Sketch $on): void
    {
        if ($this->fittings === []) {
            throw CannotJoin::because('fittings', '', 'Choose a connector at least.');
        }
        foreach (array_values(array_unique($this->fittings)) as $i => $id) {
            $colour = $this->colour !== ''
                ? $this->colour
                : self::DIGITS[intdiv($i, max(1, $this->each)) % count(self::DIGITS)];
            $on->putFitting(self::booted($on->fitting($id), $colour, $on));
        }
    }

    public function words(Installation $in): string
    {
        return match ($this->colour) {
            '' => sprintf('%d boots in colours, %d of each', count($this->fittings), $this->each),
            'usual' => sprintf('%d boots as usual', count($this->fittings)),
            default => sprintf('%d boots %s', count($this->fittings), $this->colour),
        };
    }

    /** @throws CannotJoin where there is no such boot for it */
    private static function booted(Fitting $fitting, string $colour, Sketch $on): Fitting
    {
        $catalogue = $on->now()->catalogue;
        $type = $catalogue->connector($fitting->connector);
        $usual = $type === null ? null : Coloured::boot($type, $catalogue);
        if ($usual === null) {
            throw CannotJoin::because(
                'fittings',
                $fitting->label,
                'No boot goes with its connector. Leave it out, or colour its sleeve or label.',
            );
        }
        $boots = Coloured::like($usual, $catalogue);
        $boot = $colour === 'usual' ? $usual : $boots[$colour] ?? throw CannotJoin::because(
            'colour',
            $colour,
            sprintf('There is no such boot for %s. There is %s.', $fitting->label, implode(', ', array_keys($boots))),
        );
        $others = array_values(array_filter(
            $fitting->parts,
            static fn (string $id): bool => $catalogue->part($id)?->kind !== PartKind::Boot,
        ));

        return $fitting->choosing($boot->id === $usual->id ? $others : [...$others, $boot->id]);
    }
}
