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

    /** Of a cable with mains, protective earth. */
    public function counts(string $at): bool
    {
        $makeup = $this->setup->makeup;

        return ! $makeup->mains || in_array($this->nodes($at)[0], $makeup->earths, true);
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        foreach (array_keys($this->setup->from) as $from) {
            $from = (string) $from;
            foreach (array_intersect_key($good->reach($from, MapMethod::LAMP), $this->setup->to) as $to => $_) {
                $to = (string) $to;
                if (
                    $to !== $from &&
                    ! (isset($this->setup->from[$to], $this->setup->to[$from]) && strcmp($to, $from) < 0)
                ) {
                    $questions[] = $from.'|'.$to;
                }
            }
        }

        return $questions;
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
