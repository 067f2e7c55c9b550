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
    private function __construct(public string $digest)
    {
    }

    /** @param  array<array-key, mixed>  $data  as it came, in whatever order */
    public static function by(User $user, array $data): self
    {
        return new self(hash('sha256', json_encode([$user->sign_in, self::sorted($data)], JSON_THROW_ON_ERROR)));
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
        if ($row !== null && $sent !== null && $row->sent !== null && $row->sent !== $sent->digest) {
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
