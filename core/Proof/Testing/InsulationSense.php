<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/**
 * An insulation meter between two points that should not conduct, in MΩ. Two
 * readings agree where they lie in the same band: no meter repeats a leak's
 * value.
 */
final readonly class InsulationSense implements Sense
{
    use PlainSense;

    private const UNIT = 'MΩ';

    /**
     * MΩ, the least that is good. Source: IEC 60364-6, table of minimum insulation resistance, 500 V d.c. (from
     * memory).
     */
    public const LEAST = 1.0;

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Insulation',
            words: 'insulation test',
            limit: sprintf('%g %s at least', self::LEAST, self::UNIT),
            minutes: 1.0,
            near: Nearness::bands(MapMethod::LAMP / 1e6, self::LEAST),
            unit: self::UNIT,
            should: sprintf('%g %s or more', self::LEAST, self::UNIT),
            beyond: 'beyond the meter',
            unplugged: true,
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function questions(Wiring $good): array
    {
        $questions = $others = [];
        foreach ($this->setup->makeup->apart as [$one, $other]) {
            $at = $one.'|'.$other;
            if (! isset($good->reach($one)[$other])) {
                $this->counts($at) ? $questions[$at] = true : $others[$at] = true;
            }
        }

        return array_map(strval(...), array_keys($questions + $others));
    }

    /** Of a cable with mains, what mains has to be kept apart from; the rest of it is anybody's to ask for. */
    public function counts(string $at): bool
    {
        $makeup = $this->setup->makeup;

        return ! $makeup->mains || array_intersect_key(array_flip($this->nodes($at)), $makeup->live) !== [];
    }

    public function nodes(string $at): array
    {
        return explode('|', $at, 2);
    }

    public function answer(Wiring $wiring, string $at): float
    {
        [$one, $other] = explode('|', $at, 2) + ['', ''];

        return Resistance::between($wiring, $one, $other) / 1e6;
    }
}
