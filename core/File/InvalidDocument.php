<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use RuntimeException;

final class InvalidDocument extends RuntimeException
{
    /** @param  list<Problem>  $problems */
    public function __construct(public readonly array $problems, public readonly int $more = 0)
    {
        $total = count($problems) + $more;
        parent::__construct(
            sprintf(
                '%d %s. %s',
                $total,
                $total === 1 ? 'thing is wrong' : 'things are wrong',
                implode(' ', array_map(strval(...), array_slice($problems, 0, 3))),
            ),
        );
    }

    public static function because(string $path, string $value, string $words): self
    {
        return new self([new Problem($path, $value, $words)]);
    }
}
