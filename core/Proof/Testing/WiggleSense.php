<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/** The cable and its ends are moved while a line is read: what is loose comes and goes. */
final readonly class WiggleSense implements Sense
{
    use PlainSense;

    private const UNIT = '';

    public const STEADY = 'steady';

    public const GOES = 'comes and goes';

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Wiggle',
            words: 'wiggle while the map is read',
            limit: 'nothing comes and goes',
            minutes: 0.5,
            near: Nearness::exactly(),
            answers: [self::STEADY, self::GOES],
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function questions(Wiring $good): array
    {
        return array_map(strval(...), array_keys($this->setup->touched()));
    }

    public function nodes(string $at): array
    {
        return [$at];
    }

    public function answer(Wiring $wiring, string $at): string
    {
        $still = array_intersect_key($wiring->reach($at, MapMethod::LAMP), $this->setup->watched());
        $moved = array_intersect_key($wiring->reach($at, MapMethod::LAMP, shaken: true), $this->setup->watched());

        return count($still) === count($moved) ? self::STEADY : self::GOES;
    }
}
