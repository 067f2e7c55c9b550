<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Models\User;

/**
 * What somebody sent under an id, by its digest. Sent again it is the same
 * record, once; another thing under the same id is refused, never answered as
 * if it were stored.
 */
final readonly class Sent
{
    /** @param  string  $formerly  digest as an earlier version made it, of the sign-in name */
    private function __construct(public string $digest, private string $formerly)
    {
    }

    /** @param  array<array-key, mixed>  $data  as it came, in whatever order */
    public static function by(User $user, array $data): self
    {
        $digest = static fn (?string $who): string => hash(
            'sha256',
            json_encode([$who, self::sorted($data)], JSON_THROW_ON_ERROR),
        );

        return new self($digest($user->key), $digest($user->sign_in));
    }

    /**
     * Whether it is stored already. Records of an earlier version have no digest: their ids alone tell.
     *
     * @throws Refused
     */
    public static function isRepeat(StoredInstallation $stored, string $id, ?self $sent): bool
    {
        $row = StoredEvent::query()
            ->where('installation_id', $stored->id)
            ->where('uuid', $id)
            ->first(['sent', 'definition']);
        if ($row?->sent !== null && $sent !== null && ! in_array($row->sent, [$sent->digest, $sent->formerly], true)) {
            throw Refused::anotherOf($id, $row->definition);
        }

        return $row !== null;
    }

    private static function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }

        return array_map(self::sorted(...), $value);
    }
}
