<?php

declare(strict_types=1);

namespace App\Errands;

/** What takes longer than anybody waits for an answer. */
enum ErrandKind: string
{
    case Pack = 'pack';

    case Release = 'release';

    /** An installation as a file. */
    case Arrival = 'arrival';

    /** What it says where it fails: "The pack could not be made." */
    public function failed(): string
    {
        return match ($this) {
            self::Pack => 'pack could not be made',
            self::Release => 'release could not be made',
            self::Arrival => 'file could not be brought in',
        };
    }

    /** @return class-string<Doing> */
    public function doing(): string
    {
        return match ($this) {
            self::Pack => MakePack::class,
            self::Release => MakeRelease::class,
            self::Arrival => BringIn::class,
        };
    }
}
