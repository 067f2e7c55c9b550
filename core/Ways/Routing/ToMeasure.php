<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/** What lies, or is to lie, in ways whose length nobody has measured. */
final readonly class ToMeasure
{
    /**
     * @param  list<Way>  $ways  unmeasured, in which something is still to be cut
     * @param  array<int|string, list<string>>  $waiting  way → what is called so and is still to be cut
     * @param  int  $cables  that are still to be cut and lie in one of them
     * @param  int  $cut  that are cut, by a length of which a part was not measured
     */
    private function __construct(public array $ways, public array $waiting, public int $cables, public int $cut)
    {
    }

    /**
     * @param  array<int|string, Way>  $ways  all of them, by id
     * @param  iterable<array{code: string, ways: list<string>, isCut: bool}>  $runs  that are wanted
     */
    public static function among(array $ways, iterable $runs): self
    {
        $waiting = [];
        $cables = $cut = 0;
        foreach ($runs as ['code' => $code, 'ways' => $lies, 'isCut' => $isCut]) {
            $guessed = array_filter(
                array_unique($lies),
                static fn (string $way): bool => isset($ways[$way]) && ! $ways[$way]->measured,
            );
            $cut += $isCut && $guessed !== [] ? 1 : 0;
            $cables += ! $isCut && $guessed !== [] ? 1 : 0;
            foreach ($isCut ? [] : $guessed as $way) {
                $waiting[$way][] = $code;
            }
        }

        return new self(array_values(array_intersect_key($ways, $waiting)), $waiting, $cables, $cut);
    }

    /** @return string where a walk begins: at an end of the way in which most waits; "" where nothing does */
    public function busiest(): string
    {
        $most = 0;
        $from = '';
        foreach ($this->ways as $way) {
            if ($way->joins() && count($this->waiting[$way->id]) > $most) {
                [$most, $from] = [count($this->waiting[$way->id]), $way->from];
            }
        }

        return $from;
    }
}
