<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

enum Status: string
{
    case ToDo = 'to-do';
    case Done = 'done';
    /** Done before anybody here had to do with it: it was found so. */
    case Found = 'found';
    /** Left out, with a reason. */
    case Skipped = 'skipped';
    /** Done by a description that has changed since. */
    case Overtaken = 'overtaken';

    /** Nothing is left to do about it. */
    public function isSettled(): bool
    {
        return $this === self::Done || $this === self::Skipped || $this === self::Found;
    }
}
