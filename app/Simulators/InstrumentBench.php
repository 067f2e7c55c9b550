<?php

declare(strict_types=1);

namespace App\Simulators;

use App\Testing\UnderTest;
use Illuminate\Contracts\Cache\Repository;
use Sartal\Core\Proof\Diagnosing\Fault;

/**
 * Where the simulated instruments stand: which faults were put into which assembly. Kept beside the database, forgotten
 * after a week.
 */
final readonly class InstrumentBench
{
    private const KEPT = 7 * 24 * 3600;

    public function __construct(private Repository $cache, private string $installation)
    {
    }

    /**
     * @return array<int|string, Fault> that are in an assembly, by key; what a changed plan no longer knows is left out
     */
    public function in(UnderTest $test): array
    {
        $keys = $this->keys($test);

        return $keys === [] ? [] : array_intersect_key(TestInstrument::faults($test), array_flip($keys));
    }

    /** @param  list<string>  $keys */
    public function inject(UnderTest $test, array $keys): void
    {
        $keys === []
            ? $this->cache->forget($this->name($test))
            : $this->cache->put($this->name($test), $keys, self::KEPT);
    }

    /** @return list<string> */
    private function keys(UnderTest $test): array
    {
        /** @var list<string> */
        return $this->cache->get($this->name($test)) ?? [];
    }

    private function name(UnderTest $test): string
    {
        return 'instruments.'.$this->installation.'.'.$test->assembly->id;
    }
}
