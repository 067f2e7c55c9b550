<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\ChangeLog;
use App\Changes\SharedKinds;
use App\Changes\StaleWrite;
use App\Formats\BadLine;
use App\Http\Resources\Ways\ReroutedResource;
use App\Http\Resources\Work\ReplannedResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Plan\Planning\Rerouted;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Cutting\Replanned;

/** Places, ways, looms, panels and reels: what runs share. A saved one tells what it did to them. */
final readonly class SharedController
{
    public function __construct(private ChangeLog $log, private InstallationStore $store)
    {
    }

    public function save(Request $request, StoredInstallation $stored, Loaded $loaded, string $kind): JsonResponse
    {
        abort_unless(in_array($kind, SharedKinds::ALL, true), 404);
        $part = SharedKinds::read($kind, $request->input('part'));
        $id = is_string($part['id'] ?? null) ? $part['id'] : '';
        $name = is_string($part['name'] ?? null) ? $part['name'] : $id;
        $exists = $stored->parts()->where('kind', $kind)->where('key', $id)->exists();
        $version = $request->input('version') === null ? null : $request->integer('version');
        if ($exists && $version === null) {
            throw BadLine::because(
                'id',
                $id,
                sprintf('There is such a %s already. Choose another id.', SharedKinds::NAMES[$kind]),
            );
        }

        return $this->write(
            $request,
            $stored,
            $loaded,
            sprintf('%s %s %s', ucfirst(SharedKinds::NAMES[$kind]), $name, $exists ? 'changed' : 'added'),
            new Edit($kind, $id, $part, $version),
        );
    }

    /** Reels are the bench's to enter as well. */
    public function saveReel(Request $request, StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        return $this->save($request, $stored, $loaded, 'reel');
    }

    public function removeReel(Request $request, StoredInstallation $stored, Loaded $loaded, string $id): JsonResponse
    {
        return $this->remove($request, $stored, $loaded, 'reel', $id);
    }

    /** Instruments are the testers' to enter. */
    public function saveInstrument(Request $request, StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        return $this->save($request, $stored, $loaded, 'instrument');
    }

    public function removeInstrument(
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        string $id,
    ): JsonResponse {
        return $this->remove($request, $stored, $loaded, 'instrument', $id);
    }

    public function remove(
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        string $kind,
        string $id,
    ): JsonResponse {
        abort_unless(in_array($kind, SharedKinds::ALL, true), 404);
        $user = SharedKinds::user($kind, $id, $loaded->installation) ?? $this->cutFrom($kind, $id, $loaded);
        if ($user !== null) {
            throw BadLine::because('id', $id, sprintf('%s still uses it. Change that first.', $user));
        }

        return $this->write(
            $request,
            $stored,
            $loaded,
            sprintf('%s %s removed', ucfirst(SharedKinds::NAMES[$kind]), $id),
            new Edit($kind, $id, null, $request->integer('version')),
        );
    }

    /** A reel that something was cut off stays: its marks are the record's. */
    private function cutFrom(string $kind, string $id, Loaded $loaded): ?string
    {
        foreach ($kind === 'reel' ? $loaded->record->events : [] as $event) {
            if ($event->kind === EventKind::Cut && $event->cut?->reel === $id) {
                return $loaded->installation->runs[$event->run]->code ?? $event->run;
            }
        }

        return null;
    }

    private function write(
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        string $words,
        Edit $edit,
    ): JsonResponse {
        $user = $request->user();
        assert($user instanceof User);
        try {
            $this->log->write($stored, $user, $words, [$edit]);
        } catch (StaleWrite $stale) {
            $now = $stored->parts()->where('kind', $edit->kind)->where('key', $edit->key)->first()?->definition;

            return response()->json(
                ['message' => $stale->getMessage(), 'yours' => $edit->after, 'theirs' => $now],
                409,
            );
        }
        $now = $this->store->load($stored->refresh());

        return response()->json([
            'saved' => true,
            'rerouted' => ReroutedResource::of(Rerouted::between($loaded->plan(), $now->plan(), $now->installation)),
            ...$edit->kind === 'reel'
                ? ['replanned' => ReplannedResource::of(Replanned::between($loaded->cutPlan(), $now->cutPlan()), $now)]
                : [],
        ]);
    }
}
