<?php

declare(strict_types=1);

namespace App\Simulators;

use Illuminate\Contracts\Cache\Repository;

/**
 * A label printer with one roll, as it would stand on the bench: it takes
 * labels one after the other, runs out, waits for another roll and goes on
 * where it stopped. Its protocol is in docs/formats.md.
 *
 * @phpstan-type Face array{id: string, form: string, svg: string}
 * @phpstan-type State array{form: string, left: int, waiting: list<Face>, printed: list<Face>}
 * @phpstan-type RollState array{form: string, left: int, waiting: list<string>, printed: list<string>, next: string}
 */
final readonly class RollPrinter
{
    /** Labels on a new roll. */
    public const ROLL = 60;

    /** As many of the last ones hang from it. */
    private const HANGING = 24;

    public function __construct(private Repository $cache, private int $installation)
    {
    }

    /** @return State */
    public function state(): array
    {
        /** @var State */
        return $this->cache->get($this->key()) ?? ['form' => '', 'left' => 0, 'waiting' => [], 'printed' => []];
    }

    /**
     * @return array{form: string, left: int, waiting: list<string>, printed: list<string>, next: string} without the
     *     pictures
     */
    public function summary(): array
    {
        $state = $this->state();

        return [
            'waiting' => array_column($state['waiting'], 'id'),
            'printed' => array_column($state['printed'], 'id'),
        ] + ['form' => $state['form'], 'left' => $state['left'], 'next' => $state['waiting'][0]['form'] ?? ''];
    }

    /** One of those that hang from it, as a picture. */
    public function picture(int $number): ?string
    {
        return $this->state()['printed'][$number]['svg'] ?? null;
    }

    /** @return list<string> ids of what came out of it */
    public function load(string $form): array
    {
        return $this->run(['form' => $form, 'left' => self::ROLL] + $this->state());
    }

    /**
     * @param  list<Face>  $labels
     * @return list<string> ids of what came out; the rest waits for a roll
     */
    public function print(array $labels): array
    {
        $state = $this->state();

        return $this->run(['waiting' => [...$state['waiting'], ...$labels]] + $state);
    }

    /** Throws away what waits. */
    public function cancel(): void
    {
        $this->cache->forever($this->key(), ['waiting' => []] + $this->state());
    }

    /**
     * @param  State  $state
     * @return list<string>
     */
    private function run(array $state): array
    {
        $out = [];
        while ($state['left'] > 0 && $state['waiting'] !== [] && $state['waiting'][0]['form'] === $state['form']) {
            $label = array_shift($state['waiting']);
            $state['left']--;
            $state['printed'] = array_slice([...$state['printed'], $label], -self::HANGING);
            $out[] = $label['id'];
        }
        $this->cache->forever($this->key(), $state);

        return $out;
    }

    private function key(): string
    {
        return 'roll-printer.'.$this->installation;
    }
}
