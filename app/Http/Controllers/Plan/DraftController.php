<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Foresight;
use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\DraftLooked;
use App\Http\Resources\Later\ImpactResource;
use App\Models\Draft;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;

/**
 * Edits that were put aside: looked at again, made after all, or dropped.
 *
 * @phpstan-import-type ImpactShown from ImpactResource
 *
 * @phpstan-type DraftShown array{id: int, words: string, who: string, at: string}
 */
final readonly class DraftController
{
    private const STALE =
        'What this draft touches has been changed since it was put aside. Make the edit again '.
        'where it stands now, and drop this one.';

    public function __construct(private ChangeLog $log, private Foresight $foresight)
    {
    }

    /** @return Answer<list<DraftShown>> */
    public function index(StoredInstallation $stored): Answer
    {
        return new Answer(
            array_values(
                $stored
                    ->drafts()
                    ->with('user')
                    ->get()
                    ->map(
                        static fn (Draft $draft): array => [
                            'id' => $draft->id,
                            'words' => $draft->words,
                            'who' => $draft->user->name,
                            'at' => $draft->created_at,
                        ],
                    )
                    ->all(),
            ),
        );
    }

    /** @return Answer<ImpactShown> */
    public function impact(
        StoredInstallation $stored,
        Author $author,
        #[Query(DraftLooked::class)] DraftLooked $asked,
        int $id,
    ): Answer {
        $draft = self::find($stored, $id);
        $decision = new Decision($stored, $author, $draft->words, self::edits($draft), pins: self::pins($draft));

        return new Answer(ImpactResource::of($this->foresight->impactOf($decision, $asked->all), $draft->words));
    }

    /** @return Answer<array{id: int, words: string}> */
    public function accept(StoredInstallation $stored, Author $author, int $id): Answer
    {
        $draft = self::find($stored, $id);
        $written = $this->log->write(
            new Decision(
                $stored,
                $author,
                $draft->words,
                self::edits($draft),
                pins: self::pins($draft),
                ifStale: self::STALE,
            ),
        );
        $draft->delete();

        return new Answer(['id' => $written->change->id, 'words' => $written->change->words], 201);
    }

    /** @return Answer<array{dropped: true}> */
    public function destroy(StoredInstallation $stored, int $id): Answer
    {
        self::find($stored, $id)->delete();

        return new Answer(['dropped' => true]);
    }

    private static function find(StoredInstallation $stored, int $id): Draft
    {
        return $stored->drafts()->whereKey($id)->first() ??
            abort(404, 'There is no such draft. Somebody made it, or dropped it.');
    }

    /** @return list<Edit> */
    private static function edits(Draft $draft): array
    {
        return array_map(
            static fn (array $edit): Edit => new Edit(
                DecisionKind::from($edit['kind']),
                $edit['key'],
                $edit['after'],
                $edit['version'],
            ),
            $draft->edits,
        );
    }

    private static function pins(Draft $draft): ?Catalogue
    {
        if ($draft->pins === null) {
            return null;
        }
        $problems = new Problems();
        $pins = CatalogueDecoder::catalogue(Fields::from($draft->pins, 'pins', $problems));
        $problems->settle();

        return $pins;
    }
}
