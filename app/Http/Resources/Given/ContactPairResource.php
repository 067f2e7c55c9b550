<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use Sartal\Core\Ends\Pinout\ContactPair;

/**
 * Two contacts that meet.
 *
 * @phpstan-type ContactPairShown array{address: string, own: string, opposite: string, theirs: string, agrees: bool}
 */
final class ContactPairResource
{
    /** @return ContactPairShown */
    public static function of(ContactPair $pair): array
    {
        return [
            'address' => $pair->address,
            'own' => $pair->own,
            'opposite' => $pair->opposite,
            'theirs' => $pair->theirs,
            'agrees' => $pair->agrees(),
        ];
    }
}
