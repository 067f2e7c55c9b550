<?php

declare(strict_types=1);

namespace App\Recording;

use App\Formats\BadLine;
use App\Formats\Slip;
use Sartal\Core\Proof\Record\Event;

/** What a new record says that its kind has no words for. Files of the first version may have it; nobody adds more. */
final class Strays
{
    /** @throws BadLine */
    public static function refuse(Event $sent): void
    {
        $slips = [];
        foreach (array_keys($sent->strays) as $field) {
            $slips[] = new Slip(
                (string) $field,
                $sent->kind->value,
                match ($field) {
                    'cut' => 'Only a cut has a length and a reel.',
                    'reading', 'verdict', 'stage' => 'Only a test has a reading.',
                    'built' => 'How a cable lies is said where it is pulled, dressed, trimmed or plugged in.',
                    default => 'This is not said of work of this kind. Leave it out.',
                },
            );
        }
        if ($slips !== []) {
            throw new BadLine($slips);
        }
    }
}
