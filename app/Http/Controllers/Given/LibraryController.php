<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Contract\Body;
use App\Http\Requests\Given\LibraryEdition;
use App\Library\Library;
use App\Models\LibraryType;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;

/** The organisation's own types, as one installation sees them. */
final readonly class LibraryController
{
    public function __construct(private Library $library)
    {
    }

    public function index(StoredInstallation $stored): JsonResponse
    {
        return response()->json([
            'types' => array_map(
                static fn (array $each): array => self::line($each['type']) + ['stand' => $each['stand']->value],
                $this->library->of($stored),
            ),
        ]);
    }

    public function take(Loaded $loaded, Author $author, string $kind, string $id): JsonResponse
    {
        $this->library->take($loaded, $author, self::kind($kind), $id);

        return $this->index($loaded->stored->refresh());
    }

    public function put(
        #[Body(LibraryEdition::class)] LibraryEdition $sent,
        Loaded $loaded,
        #[CurrentUser] User $user,
        string $kind,
        string $id,
    ): JsonResponse {
        $there = $this->library->put($loaded, $user, self::kind($kind), $id, $sent->edition);
        if ($there !== null) {
            return response()->json(
                [
                    'message' => $there->exists
                        ? sprintf(
                            '%s put another edition of this there meanwhile. Look at both, then put yours again.',
                            $there->user->name,
                        )
                        : 'It was taken out of the library meanwhile. Put it there anew.',
                    'theirs' => $there->exists ? self::line($there) + ['definition' => $there->definition] : null,
                ],
                409,
            );
        }

        return $this->index($loaded->stored);
    }

    public function remove(StoredInstallation $stored, string $kind, string $id): JsonResponse
    {
        $this->library->remove($stored, self::kind($kind), $id);

        return $this->index($stored);
    }

    /** @return array<string, mixed> */
    private static function line(LibraryType $type): array
    {
        return [
            'kind' => $type->kind,
            'id' => $type->key,
            'name' => Library::name($type),
            'edition' => $type->edition,
            'who' => $type->user->name,
            'at' => $type->put_at->utc()->format('Y-m-d\TH:i:s\Z'),
        ];
    }

    private static function kind(string $kind): DecisionKind
    {
        $known = DecisionKind::tryFrom($kind);

        return $known?->home() === DecisionHome::Type ? $known : abort(404, 'There is no such kind of type.');
    }
}
