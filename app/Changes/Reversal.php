<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;

/** Whether a change takes another back, or makes again what was taken back. */
enum Reversal: string
{
    case None = 'none';
    case Undone = 'undone';
    case Again = 'again';

    public static function of(Change $change): self
    {
        return match (true) {
            $change->undoes === null => self::None,
            str_starts_with($change->words, self::Undone->before()) => self::Undone,
            default => self::Again,
        };
    }

    /** What a change is called that takes this one back. */
    public static function back(Change $change): string
    {
        $was = self::of($change);
        $next = $was === self::Undone ? self::Again : self::Undone;

        return $next->before().substr($change->words, strlen($was->before()));
    }

    /** What stands before the words of a change that went so. */
    private function before(): string
    {
        return match ($this) {
            self::None => '',
            self::Undone => 'Undone: ',
            self::Again => 'Done again: ',
        };
    }
}
