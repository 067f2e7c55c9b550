<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Contract\Answer;
use App\Contract\Carries;
use App\Http\Resources\Work\ReplannedResource;
use App\Models\Membership;
use App\Models\Role;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Recording\DeviceClock;
use App\Recording\Recorder;
use App\Recording\Sent;
use Illuminate\Http\Request;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Cutting\Replanned;

/**
 * @phpstan-import-type BeadShown from PlanEncoder
 * @phpstan-import-type ReplannedShown from ReplannedResource
 */
final readonly class EventController
{
    public function __construct(private Recorder $recorder, private InstallationStore $store)
    {
    }

    /** @return Answer<array{new: bool, strand: list<BeadShown>, verdict?: string|null, replanned?: ReplannedShown}> */
    #[Carries('event')]
    public function store(Request $request, Membership $member, Loaded $loaded): Answer
    {
        $kind = EventKind::tryFrom(self::text($request, 'kind'));
        if ($kind !== null && ! $member->hasRole(...self::may($kind))) {
            abort(
                403,
                sprintf(
                    'Recording "%s" needs the role %s. Ask the lead.',
                    $kind->value,
                    implode(' or ', array_map(static fn (Role $role): string => $role->value, self::may($kind))),
                ),
            );
        }
        $new = $this->recorder->record(
            $loaded,
            $member,
            $request->all(),
            Sent::by($member->user, $request->all()),
            DeviceClock::behind($request),
        );
        $now = $this->store->atWork($loaded->stored->refresh());
        $run = self::text($request, 'run');

        return new Answer(
            [
                'new' => $new,
                'strand' => PlanEncoder::strand($now->plan()->strands[$run] ?? []),
                ...$kind === EventKind::Tested
                    ? ['verdict' => self::verdict($now, strtolower(self::text($request, 'id')))]
                    : [],
                ...$kind === EventKind::Cut
                    ? [
                        'replanned' => ReplannedResource::of(
                            Replanned::between($loaded->cutPlan(), $now->cutPlan()),
                            $now,
                        ),
                    ]
                    : [],
            ],
            $new ? 201 : 200,
        );
    }

    /** What is no text is named by whoever reads the event as a whole. */
    private static function text(Request $request, string $field): string
    {
        $value = $request->input($field);

        return is_string($value) ? $value : '';
    }

    /** What the server made of a test. */
    private static function verdict(Loaded $now, string $id): ?string
    {
        foreach (array_reverse($now->record->events) as $event) {
            if ($event->id === $id) {
                return $event->verdict()?->value;
            }
        }

        return null;
    }

    /** @return list<Role> */
    private static function may(EventKind $kind): array
    {
        return match ($kind) {
            EventKind::Tested, EventKind::Settled => [Role::Tester, Role::Lead],
            EventKind::SignedOff, EventKind::Withdrawn => [Role::Lead],
            EventKind::Pulled, EventKind::Dressed, EventKind::Trimmed, EventKind::Installed, EventKind::Labelled => [
                Role::Installer,
                Role::Bench,
                Role::Lead,
            ],
            // Whoever stands before it says what is wrong.
            EventKind::Reported => Role::cases(),
            EventKind::Repaired => [Role::Bench, Role::Installer, Role::Tester, Role::Lead],
            default => [Role::Bench, Role::Installer, Role::Lead],
        };
    }
}
