<?php

declare(strict_types=1);

namespace Sartal\Core\Testing;

/**
 * What lights, line by line. A line that is not there has not been read; an
 * empty one was read, and nothing lit.
 */
final readonly class Reading
{
    /** @var array<string, list<string>> probed node → nodes that light, sorted */
    public array $lights;

    /** @var ?list<string> ids of pairs found split, sorted; null where pairs were not tested */
    public ?array $splits;

    /**
     * @param  array<string, list<string>>  $lights
     * @param  ?list<string>  $splits
     */
    public function __construct(array $lights, ?array $splits = null)
    {
        $sorted = [];
        foreach ($lights as $from => $to) {
            $to = array_values(array_unique($to));
            sort($to, SORT_STRING);
            $sorted[(string) $from] = $to;
        }
        ksort($sorted, SORT_STRING);
        $this->lights = $sorted;
        if ($splits !== null) {
            $splits = array_values(array_unique($splits));
            sort($splits, SORT_STRING);
        }
        $this->splits = $splits;
    }
}
