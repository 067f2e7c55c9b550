<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/**
 * A signal is sent down a circuit and listened to. It is silent where it does
 * not arrive, hums where the two sides of it do not lie in one twist, where a
 * star-quad is paired by neighbour, or where its screen is not the cable's
 * own, and is clean otherwise. Source: common practice.
 */
final readonly class NoiseSense implements Sense
{
    use PlainSense;

    private const UNIT = '';

    public const CLEAN = 'clean';

    public const HUM = 'hum';

    public const SILENT = 'silent';

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Noise',
            words: 'signal and noise check',
            limit: self::CLEAN,
            minutes: 0.8,
            near: Nearness::exactly(),
            answers: [self::CLEAN, self::HUM, self::SILENT],
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function questions(Wiring $good): array
    {
        return $this->setup->pairIds();
    }

    public function nodes(string $at): array
    {
        $screen = $this->setup->makeup->screens[$at] ?? '';

        return [...$this->setup->pair($at)->nodes ?? [], ...$screen === '' ? [] : [$screen]];
    }

    public function answer(Wiring $wiring, string $at): string
    {
        $pair = $this->setup->pair($at);
        $reaches = array_map(
            static fn (string $node): array => $wiring->reach($node, MapMethod::LAMP),
            $pair->nodes ?? [],
        );
        if ($pair === null || count(array_filter($reaches, $this->arrives(...))) < count($reaches)) {
            return self::SILENT;
        }
        if (count($reaches) > 1 && array_intersect_key(...$reaches) !== []) {
            // Both sides on one: nothing is left between them.
            return self::SILENT;
        }
        if (MapMethod::splits($wiring, [$pair]) !== [] || $this->byNeighbour($wiring, $reaches)) {
            return self::HUM;
        }
        $screen = $this->setup->makeup->screens[$at] ?? '';

        return $screen === '' || $this->isScreened($wiring, $screen) ? self::CLEAN : self::HUM;
    }

    /** @param  array<int|string, true>  $reach */
    private function arrives(array $reach): bool
    {
        return count(array_intersect_key($reach, $this->setup->to)) >
            (count(array_intersect_key($reach, $this->setup->from, $this->setup->to)) > 0 ? 1 : 0);
    }

    /**
     * Cores of one side of a star-quad lie across from each other.
     *
     * @param  list<array<int|string, true>>  $reaches
     */
    private function byNeighbour(Wiring $wiring, array $reaches): bool
    {
        foreach ($reaches as $reach) {
            $seats = [];
            foreach ($reach as $node => $_) {
                foreach ($wiring->at((string) $node) as $edge) {
                    if ($edge->kind === EdgeKind::Conductor && isset($this->setup->makeup->seats[$edge->id])) {
                        $seats[(string) $edge->twist][$edge->id] = $this->setup->makeup->seats[$edge->id];
                    }
                }
            }
            foreach ($seats as $of) {
                $of = array_values($of);
                if (count($of) === 2 && abs($of[0] - $of[1]) !== 2) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Its screen contact leads on by what is bare, and by nothing else. */
    private function isScreened(Wiring $wiring, string $node): bool
    {
        $bare = false;
        foreach ($wiring->reach($node, MapMethod::LAMP) as $reached => $_) {
            foreach ($wiring->at((string) $reached) as $edge) {
                if ($edge->kind === EdgeKind::Conductor) {
                    if (! isset($this->setup->makeup->bare[$edge->id])) {
                        return false;
                    }
                    $bare = true;
                }
            }
        }

        return $bare && $this->arrives($wiring->reach($node, MapMethod::LAMP));
    }
}
