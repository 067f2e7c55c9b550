<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Formats\Beginning;
use App\Formats\Samples;
use App\Http\Requests\Who\Archiving;
use App\Http\Requests\Who\Begin;
use App\Http\Requests\Who\NewInstallation;
use App\Http\Requests\Who\RunSought;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Who\Entry;
use App\Who\Logbook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;

/**
 * The installations that somebody is of the crew of.
 *
 * @phpstan-import-type InstallationRef from StoredInstallation
 * @phpstan-import-type SampleShown from Samples
 */
final class InstallationController
{
    /**
     * With "run": those that have it, for codes that were printed before a code named its installation. And what the
     * next one can begin from.
     *
     * @return Answer<array{installations: list<InstallationRef>, samples: list<SampleShown>}>
     */
    public function index(#[Query(RunSought::class)] RunSought $asked, #[CurrentUser] User $user): Answer
    {
        $run = $asked->run;
        $own = $user->installations();
        $own->orderBy('installations.name');
        if ($run !== '') {
            $own->whereHas('runs', static fn (Builder $each) => $each->where('key', $run));
        }

        return new Answer([
            'installations' => array_values(
                $own
                    ->get(StoredInstallation::REFERRED)
                    ->map(static fn (StoredInstallation $each): array => $each->reference())
                    ->all(),
            ),
            'samples' => Samples::shown(),
        ]);
    }

    /**
     * Begun "empty", or from a "sample", the first where none is named; from a file it arrives.
     *
     * @return Answer<InstallationRef>
     *
     * @throws BadLine
     */
    public function store(
        #[Body(NewInstallation::class)] NewInstallation $sent,
        #[CurrentUser] User $user,
        Beginning $beginning,
    ): Answer {
        $name = $sent->name;
        if ($name === '') {
            throw BadLine::because('name', '', 'Write what it is called.');
        }
        $key = self::key($user, $name);
        $made =
            $sent->begin === Begin::Empty
                ? $beginning->empty($user, $key, $name)
                : $beginning->sample($user, $key, $name, Samples::find($sent->sample));

        return new Answer($made->reference(), 201);
    }

    /** What its file calls it: after its name, and another where that is taken. */
    private static function key(User $user, string $name): string
    {
        $wish = mb_substr(Str::slug($name), 0, 50);
        $wish = $wish === '' ? 'installation' : $wish;
        for ($i = 1, $key = $wish; ; $key = $wish.'-'.++$i) {
            $taken = StoredInstallation::query()
                ->where('organisation_id', $user->organisation_id)
                ->where('key', $key)
                ->exists();
            if (! $taken) {
                return $key;
            }
        }
    }

    /**
     * Kept as it is: everybody of its crew goes on reading it, nobody writes. Or brought back.
     *
     * @return Answer<InstallationRef>
     */
    public function archive(
        #[Body(Archiving::class)] Archiving $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
    ): Answer {
        $archived = $sent->archived;
        if ($archived !== ($stored->archived_at !== null)) {
            $stored
                ->newQuery()
                ->whereKey($stored->id)
                ->update(['archived_at' => $archived ? now() : null]);
            $words = $archived ? '%s archived' : '%s brought back';
            Logbook::write(Entry::Installation, sprintf($words, $stored->name), $user, $stored);
        }

        return new Answer($stored->refresh()->reference());
    }
}
