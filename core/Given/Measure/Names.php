<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * Ids as text. PHP makes whole numbers of array keys such as "101", and crews number their cables like that: what is
 * kept by id is typed array<int|string, …>, and whoever wants the ids asks here.
 */
final class Names
{
    /**
     * @param  array<int|string, mixed>  $map  by id
     * @return list<string>
     */
    public static function from(array $map): array
    {
        return array_map(strval(...), array_keys($map));
    }
}
