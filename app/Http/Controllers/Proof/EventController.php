<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Contract\Answer;
use App\Contract\Carries;
use App\Http\Resources\Work\ReplannedResource;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Planning\KeptCuts;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Recorded;
use App\Recording\Against;
use App\Recording\DeviceClock;
use App\Recording\Recorder;
use App\Recording\Sent;
use Illuminate\Contracts\Container\Container;
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
    public function __construct(private Recorder $recorder)
    {
    }

    /** @return Answer<array{new: bool, strand: list<BeadShown>, verdict?: string|null, replanned?: ReplannedShown}> */
    #[Carries('event')]
    public function store(
        Request $request,
        Membership $member,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
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
        $load = static fn (): Loaded => $container->make(Loaded::class);
        $cuts = $kind === EventKind::Cut ? KeptCuts::atWork($stored, $load) : null;
        $before = $cuts?->now();
        $new = $this->recorder->record(
            new Against($stored, $load),
            $member,
            $request->all(),
            Sent::by($member->user, $request->all()),
            DeviceClock::behind($request),
        );
        $run = self::text($request, 'run');

        return new Answer(
            [
                'new' => $new,
                'strand' => PlanEncoder::strand(
                    KeptStandings::atWork($stored, $load)->of($run)->runs[$run]->strand ?? [],
                ),
                ...$kind === EventKind::Tested
                    ? ['verdict' => self::verdict($stored, strtolower(self::text($request, 'id')))]
                    : [],
                ...$cuts !== null && $before !== null
                    ? ['replanned' => ReplannedResource::of(Replanned::between($before, $cuts->now()), $cuts->facts())]
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
    private static function verdict(StoredInstallation $stored, string $id): ?string
    {
        $row = $stored->events();
        $row->where('uuid', $id);

        return (Recorded::read($stored, $row)[0] ?? null)?->verdict()?->value;
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
