<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Length;

/** One circuit from end to end: every run that it passes through. */
final readonly class SignalLine
{
    /** @param  non-empty-list<Stretch>  $stretches */
    public function __construct(public Circuit $circuit, public SignalType $signal, public array $stretches)
    {
    }

    public function length(): Length
    {
        return Length::zero()->plus(
            ...array_map(static fn (Stretch $stretch): Length => $stretch->length, $this->stretches),
        );
    }

    /** The same in another cable, where one run carries it alone. */
    public function in(CableType $cable): self
    {
        return new self(
            $this->circuit,
            $this->signal,
            array_map(static fn (Stretch $stretch): Stretch => $stretch->with($cable), $this->stretches),
        );
    }

    /**
     * Something of every stretch, added up.
     *
     * @param  callable(Stretch): ?float  $of
     * @param  callable(Stretch, float): string  $detail
     * @return Figure|string the sum; or the cable type that does not say
     */
    public function sum(callable $of, callable $detail, string $unit, int $digits, string $source): Figure|string
    {
        $sum = 0.0;
        $terms = [];
        foreach ($this->stretches as $stretch) {
            $amount = $of($stretch);
            if ($amount === null) {
                return $stretch->cable->name;
            }
            $sum += $amount;
            $terms[] = new FigureTerm(
                $stretch->run,
                $detail($stretch, $amount),
                Figure::amount($amount, $unit, $digits),
                $source,
            );
        }

        return new Figure($sum, $unit, $terms, $digits);
    }

    /** Resistance there and back, at 20 °C. */
    public function loop(): Figure|string
    {
        return $this->sum(
            static fn (Stretch $stretch): ?float => $stretch->loopOhms(),
            static fn (Stretch $stretch): string => sprintf(
                '%s of %s, there and back',
                self::metres($stretch->metres()),
                $stretch->thinnest()?->gauge->text ?? '?',
            ),
            'Ω',
            2,
            'ASTM B258, IEC 60028',
        );
    }

    public static function metres(float $metres): string
    {
        return Figure::amount($metres, 'm', 2);
    }
}
