<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/**
 * What a certifier says of each pair: its length in m, its delay in ns, the
 * resistance there and back in Ω. Length = NVP × c × t ÷ 2 (circuit theory):
 * the reflection comes from the first end that is open or shorted, so it is
 * the length of the conductor that hangs on the contact.
 */
final readonly class CertifierSense implements Sense
{
    private const UNIT = 'm';

    public const LENGTH = '';

    public const DELAY = 'delay';

    public const LOOP = 'loop';

    /** What is put down to the velocity of propagation: common practice. */
    private const SHARE = 0.15;

    /** m, ns or Ω that no certifier splits. */
    private const LEAST = 1.0;

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Certifier',
            words: 'certifier: length, delay, loop resistance',
            limit: sprintf(
                'the planned length within %g %%; %g m, %g ns, %g ns skew, %g Ω at most',
                self::SHARE * 100,
                PermanentLink::LENGTH,
                PermanentLink::DELAY,
                PermanentLink::SKEW,
                PermanentLink::LOOP,
            ),
            minutes: 0.5,
            near: Nearness::within(self::SHARE, self::LEAST),
            unit: self::UNIT,
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function what(string $at): string
    {
        return self::asked($at);
    }

    public function asks(string $at): string
    {
        return match (self::asked($at)) {
            self::DELAY => 'delay',
            self::LOOP => 'there and back',
            default => 'length',
        };
    }

    public function scale(string $at): Scale
    {
        return match (self::asked($at)) {
            self::DELAY => new Scale('ns', 1),
            self::LOOP => new Scale('Ω'),
            default => new Scale(self::UNIT),
        };
    }

    /** The lengths will do. */
    public function counts(string $at): bool
    {
        return self::asked($at) === self::LENGTH;
    }

    /** Which of the three a question is about. */
    public static function asked(string $at): string
    {
        return explode('#', $at, 2)[1] ?? self::LENGTH;
    }

    /** The pair that a question is about. */
    public static function pair(string $at): string
    {
        return explode('#', $at, 2)[0];
    }

    public static function question(string $pair, string $what): string
    {
        return $what === self::LENGTH ? $pair : $pair.'#'.$what;
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        // Nothing else fits it.
        foreach ($this->setup->makeup->category ? $this->setup->pairIds() : [] as $pair) {
            $questions[] = $pair;
            if (isset($this->setup->makeup->nanosecondsPerMetre[$pair])) {
                $questions[] = self::question($pair, self::DELAY);
            }
            if (count($this->through($good, $pair)) > 1) {
                $questions[] = self::question($pair, self::LOOP);
            }
        }

        return $questions;
    }

    public function nodes(string $at): array
    {
        return $this->setup->pair(self::pair($at))->nodes ?? [];
    }

    public function answer(Wiring $wiring, string $at): float
    {
        $pair = self::pair($at);

        return match (self::asked($at)) {
            self::DELAY => $this->metres($wiring, $pair) * ($this->setup->makeup->nanosecondsPerMetre[$pair] ?? NAN),
            self::LOOP => $this->loop($wiring, $pair),
            default => $this->metres($wiring, $pair),
        };
    }

    private function metres(Wiring $wiring, string $pair): float
    {
        $shortest = NAN;
        foreach ($this->setup->pair($pair)->nodes ?? [] as $node) {
            $metres = 0.0;
            foreach ($wiring->at($node) as $joint) {
                $core = $joint->kind === EdgeKind::Joint ? $joint->opposite($node) : '';
                foreach ($core === '' ? [] : $wiring->at($core) as $edge) {
                    $metres = $edge->kind === EdgeKind::Conductor ? max($metres, $edge->metres) : $metres;
                }
                if ($core !== '' && $metres === 0.0) {
                    // Broken along the way: where, this cannot say.
                    return NAN;
                }
            }
            $shortest = is_nan($shortest) ? $metres : min($shortest, $metres);
        }

        return $shortest;
    }

    /** Each core from its contact to where it should arrive; INF where one does not. */
    private function loop(Wiring $wiring, string $pair): float
    {
        $ohms = 0.0;
        foreach ($this->setup->pair($pair)->nodes ?? [] as $node) {
            $far = array_keys(
                array_diff_key(array_intersect_key($wiring->reach($node, MapMethod::LAMP), $this->setup->to), [
                    $node => true,
                ]),
            );
            $ohms += $far === [] ? INF : Resistance::between($wiring, $node, (string) $far[0], MapMethod::LAMP);
        }

        return $ohms;
    }

    /** @return list<string> contacts of a pair that lead somewhere */
    private function through(Wiring $wiring, string $pair): array
    {
        return array_values(
            array_filter(
                $this->setup->pair($pair)->nodes ?? [],
                fn (string $node): bool => count(
                    array_intersect_key($wiring->reach($node, MapMethod::LAMP), $this->setup->to),
                ) > 0,
            ),
        );
    }
}
