<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

/** What somebody's words in a cell are taken for. */
final readonly class Meant
{
    /**
     * @param  string  $id  of what it is taken for; "" where nobody can say
     * @param  string  $because  what that is guessed from; "" where it is written so
     * @param  list<string>  $instead  ids of what else it could be, the likeliest first
     */
    public function __construct(public string $id, public string $because = '', public array $instead = [])
    {
    }

    public function isWritten(): bool
    {
        return $this->id !== '' && $this->because === '';
    }
}
