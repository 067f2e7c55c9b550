<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/** An ohmmeter between two points that should conduct, in Ω. */
final readonly class OhmSense implements Sense
{
    private const UNIT = 'Ω';

    /** What it is trusted with, share and Ω: common practice. */
    public const SHARE = 0.2;

    public const LEAST = 0.05;

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Ohms',
            words: 'ohmmeter, against what length and gauge make',
            limit: sprintf('what length and gauge make, within a fifth or %g Ω', self::LEAST),
            minutes: 1.5,
            near: Nearness::within(self::SHARE, self::LEAST),
            unit: self::UNIT,
            unplugged: true,
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function what(string $at): string
    {
        return '';
    }

    public function asks(string $at): string
    {
        return '';
    }

    public function scale(string $at): Scale
    {
        return new Scale(self::UNIT, 3);
    }

    /** Of a cable with mains, its own conductors: protective earth whole, and line and neutral not exchanged. */
    public function counts(string $at): bool
    {
        $makeup = $this->setup->makeup;

        return ! $makeup->mains || isset($makeup->live[$this->nodes($at)[0]]);
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        // Protective earth comes first: IEC 60364-6 (from memory).
        $from = array_map(strval(...), array_keys($this->setup->from));
        foreach ([...array_intersect($this->setup->makeup->earths, $from), ...$from] as $from) {
            foreach (array_intersect_key($good->reach($from, MapMethod::LAMP), $this->setup->to) as $to => $_) {
                $to = (string) $to;
                if (
                    $to !== $from &&
                    ! (isset($this->setup->from[$to], $this->setup->to[$from]) && strcmp($to, $from) < 0)
                ) {
                    $questions[$from.'|'.$to] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($questions));
    }

    public function nodes(string $at): array
    {
        return explode('|', $at, 2);
    }

    public function answer(Wiring $wiring, string $at): float
    {
        [$one, $other] = explode('|', $at, 2) + ['', ''];

        return Resistance::between($wiring, $one, $other, MapMethod::LAMP);
    }
}
