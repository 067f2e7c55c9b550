<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
use App\Http\Requests\Given\LibraryEdition;
use App\Http\Resources\Given\TypeResource;
use App\Library\Library;
use App\Library\Stand;
use App\Models\LibraryType;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;

/**
 * The organisation's own types, as one installation sees them.
 *
 * @phpstan-import-type TypeKind from TypeResource
 *
 * @phpstan-type LibraryLine array{kind: TypeKind, id: string, name: string, edition: int, who: string, at: string}
 * @phpstan-type LibraryPage array{types: list<array{
 *     stand: value-of<Stand>,
 *     kind: TypeKind,
 *     id: string,
 *     name: string,
 *     edition: int,
 *     who: string,
 *     at: string,
 * }>}
 */
final readonly class LibraryController
{
    public function __construct(private Library $library)
    {
    }

    /**
     * @return Answer<array{
     *     types: list<array{
     *         stand: value-of<Stand>,
     *         kind: TypeKind,
     *         id: string,
     *         name: string,
     *         edition: int,
     *         who: string,
     *         at: string,
     *     }>,
     * }>
     */
    public function index(StoredInstallation $stored): Answer
    {
        return new Answer([
            'types' => array_map(
                static fn (array $each): array => self::line($each['type']) + ['stand' => $each['stand']->value],
                $this->library->of($stored),
            ),
        ]);
    }

    /**
     * @return Answer<array{
     *     types: list<array{
     *         stand: value-of<Stand>,
     *         kind: TypeKind,
     *         id: string,
     *         name: string,
     *         edition: int,
     *         who: string,
     *         at: string,
     *     }>,
     * }>
     */
    public function take(Loaded $loaded, Author $author, string $kind, string $id): Answer
    {
        $this->library->take($loaded, $author, self::kind($kind), $id);

        return $this->index($loaded->stored->refresh());
    }

    /**
     * @return Answer<LibraryPage>
     */
    public function put(
        #[Body(LibraryEdition::class)] LibraryEdition $sent,
        Loaded $loaded,
        #[CurrentUser] User $user,
        string $kind,
        string $id,
    ): Answer {
        $there = $this->library->put($loaded, $user, self::kind($kind), $id, $sent->edition);
        if ($there !== null) {
            throw Refusal::late(
                $there->exists
                    ? sprintf(
                        '%s put another edition of this there meanwhile. Look at both, then put yours again.',
                        $there->user->name,
                    )
                    : 'It was taken out of the library meanwhile. Put it there anew.',
                ['edition' => $sent->edition],
                $there->exists ? self::line($there) + ['definition' => $there->definition] : null,
            );
        }

        return $this->index($loaded->stored);
    }

    /**
     * @return Answer<array{
     *     types: list<array{
     *         stand: value-of<Stand>,
     *         kind: TypeKind,
     *         id: string,
     *         name: string,
     *         edition: int,
     *         who: string,
     *         at: string,
     *     }>,
     * }>
     */
    public function remove(StoredInstallation $stored, string $kind, string $id): Answer
    {
        $this->library->remove($stored, self::kind($kind), $id);

        return $this->index($stored);
    }

    /** @return LibraryLine */
    private static function line(LibraryType $type): array
    {
        /** @var TypeKind $kind */
        $kind = $type->kind;

        return [
            'kind' => $kind,
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
