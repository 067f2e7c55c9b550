<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\SharedUse;
use App\Changes\Sound;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Given\OnVersion;
use App\Http\Requests\Given\SharedPart;
use App\Http\Resources\Ways\ReroutedResource;
use App\Http\Resources\Work\ReplannedResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Proof\Record\EventKind;

/**
 * Places, ways, looms, panels and reels: what runs share. A saved one tells what it did to them.
 *
 * @phpstan-import-type ReroutedShown from ReroutedResource
 * @phpstan-import-type ReplannedShown from ReplannedResource
 *
 * @phpstan-type SharedWritten array{saved: true, rerouted: ReroutedShown, replanned?: ReplannedShown}
 */
final readonly class SharedController
{
    public function __construct(private ChangeLog $log, private InstallationStore $store, private Near $near)
    {
    }

    /** @return Answer<SharedWritten> */
    public function save(
        #[Body(SharedPart::class)] SharedPart $sent,
        StoredInstallation $stored,
        Author $author,
        string $of,
    ): Answer {
        $kind = self::kind($of);
        $loaded = $this->read($stored, $kind);
        $part = Decided::canonical($kind, $sent->part);
        Sound::check($kind, $part, $loaded->installation);
        $id = is_string($part['id'] ?? null) ? $part['id'] : '';
        $name = is_string($part['name'] ?? null) ? $part['name'] : $id;
        $exists = $stored->entries()->where('kind', $kind->value)->where('key', $id)->exists();
        $version = $sent->version;
        if ($exists && $version === null) {
            throw BadLine::because(
                'id',
                $id,
                sprintf('There is such a %s already. Choose another name.', $kind->words()),
            );
        }

        return $this->write(
            $loaded,
            $author,
            sprintf('%s %s %s', ucfirst($kind->words()), $name, $exists ? 'changed' : 'added'),
            new Edit($kind, $id, $part, $version),
        );
    }

    /**
     * Reels are the bench's to enter as well.
     *
     * @return Answer<SharedWritten>
     */
    public function saveReel(
        #[Body(SharedPart::class)] SharedPart $sent,
        StoredInstallation $stored,
        Author $author,
    ): Answer {
        return $this->save($sent, $stored, $author, 'reel');
    }

    /** @return Answer<SharedWritten> */
    public function removeReel(
        #[Body(OnVersion::class)] OnVersion $sent,
        StoredInstallation $stored,
        Author $author,
        string $id,
    ): Answer {
        return $this->remove($sent, $stored, $author, 'reel', $id);
    }

    /**
     * Instruments are the testers' to enter.
     *
     * @return Answer<SharedWritten>
     */
    public function saveInstrument(
        #[Body(SharedPart::class)] SharedPart $sent,
        StoredInstallation $stored,
        Author $author,
    ): Answer {
        return $this->save($sent, $stored, $author, 'instrument');
    }

    /** @return Answer<SharedWritten> */
    public function removeInstrument(
        #[Body(OnVersion::class)] OnVersion $sent,
        StoredInstallation $stored,
        Author $author,
        string $id,
    ): Answer {
        return $this->remove($sent, $stored, $author, 'instrument', $id);
    }

    /** @return Answer<SharedWritten> */
    public function remove(
        #[Body(OnVersion::class)] OnVersion $sent,
        StoredInstallation $stored,
        Author $author,
        string $of,
        string $id,
    ): Answer {
        $kind = self::kind($of);
        $loaded = $this->read($stored, $kind, $id);
        $user = SharedUse::of($kind, $id, $loaded->installation) ?? $this->cutFrom($kind, $id, $loaded);
        if ($user !== null) {
            throw BadLine::because('id', $id, sprintf('%s still uses it. Change that first.', $user));
        }

        return $this->write(
            $loaded,
            $author,
            sprintf('%s %s removed', ucfirst($kind->words()), $id),
            Edit::without($kind, $id, $sent->version ?? 0),
        );
    }

    /** A reel that something was cut off stays: its marks are the record's. */
    private function cutFrom(DecisionKind $kind, string $id, Loaded $loaded): ?string
    {
        foreach ($kind === DecisionKind::Reel ? $loaded->record->events() : [] as $event) {
            if ($event->kind === EventKind::Cut && $event->cut()?->reel === $id) {
                return $loaded->installation->runs()[$event->run]->code ?? $event->run;
            }
        }

        return null;
    }

    private static function kind(string $of): DecisionKind
    {
        $kind = DecisionKind::tryFrom($of);

        return in_array($kind, DecisionKind::shared(), true) ? $kind : abort(404, 'There is no such kind of part.');
    }

    /** @return Answer<SharedWritten> */
    private function write(Loaded $loaded, Author $author, string $words, Edit $edit): Answer
    {
        $written = $this->log->write(Decision::on($loaded, $author, $words, [$edit]));

        return new Answer([
            'saved' => true,
            'rerouted' => ReroutedResource::of($written->rerouted()),
            ...$edit->kind === DecisionKind::Reel
                ? ['replanned' => ReplannedResource::between($loaded, $written->now())]
                : [],
        ]);
    }

    /**
     * All of it; of a way, what is not of runs will do, and those that it is asked about.
     *
     * @param  ?string  $used  id of a way: with the runs that lie in it
     */
    private function read(StoredInstallation $stored, DecisionKind $kind, ?string $used = null): Loaded
    {
        return $kind === DecisionKind::Way
            ? $this->near->runs($stored, $used === null ? [] : $this->near->inWay($stored, $used))
            : $this->store->load($stored);
    }
}
