<?php

declare(strict_types=1);

namespace App\Errands;

/** What takes longer than anybody waits for an answer. */
enum ErrandKind: string
{
    case Pack = 'pack';

    /** As it stands in a sentence: "The pack could not be made." */
    public function words(): string
    {
        return match ($this) {
            self::Pack => 'pack',
        };
    }

    /** @return class-string<Doing> */
    public function doing(): string
    {
        return match ($this) {
            self::Pack => MakePack::class,
        };
    }
}
