<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Changes\Author;
use App\Changes\Intent;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\DecisionKind;

/** Decisions about the demo that are drawn by chance. */
trait DrawsDecisions
{
    /** @return list<Edit> each thing once */
    private static function drawn(DrawnEdits $drawn, int $seed): array
    {
        $edits = [];
        foreach ($drawn->edits(new Randomizer(new Mt19937($seed))) as [$kind, $key, $shape]) {
            $edits[$kind->value.' '.$key] = new Edit($kind, $key, $shape);
        }

        return array_values($edits);
    }

    /**
     * @param  list<Edit>  $edits
     * @return list<string>
     */
    private static function runs(array $edits): array
    {
        $runs = array_filter($edits, static fn (Edit $edit): bool => $edit->kind === DecisionKind::Run);

        return array_values(array_map(static fn (Edit $edit): string => $edit->key, $runs));
    }

    /** @param  list<Edit>  $edits  whether they would give a code twice, which the database refuses */
    private static function isTwice(StoredInstallation $stored, array $edits): bool
    {
        $codes = StoredRun::query()
            ->where('installation_id', $stored->id)
            ->where('withdrawn', false)
            ->pluck('code', 'key')
            ->all();
        foreach ($edits as $edit) {
            if ($edit->kind === DecisionKind::Run) {
                unset($codes[$edit->key]);
                if ($edit->after !== null && ! ($edit->after['withdrawn'] ?? false)) {
                    $codes[$edit->key] = $edit->after['code'];
                }
            }
        }

        return count(array_unique($codes)) < count($codes);
    }

    private function load(): Loaded
    {
        return $this->app->make(InstallationStore::class)->load($this->installation->refresh());
    }

    private function author(): Author
    {
        return new Author($this->person('planner'), Intent::Accept);
    }
}
