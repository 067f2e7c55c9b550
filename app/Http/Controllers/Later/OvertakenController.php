<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Changes\RemedyDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Http\Requests\Later\ChosenRemedy;
use App\Http\Resources\Later\ImpactResource;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Loaded;

/**
 * Work that a change has overtaken, and its remedies.
 *
 * @phpstan-import-type ImpactShown from ImpactResource
 * @phpstan-import-type ImpactRun from ImpactResource
 */
final readonly class OvertakenController
{
    public function __construct(private RemedyDesk $desk)
    {
    }

    /** @return Answer<ImpactShown> */
    public function index(StoredInstallation $stored): Answer
    {
        $runs = $this->desk->overtaken($stored);

        return new Answer(
            Kept::once(
                $stored,
                'overtaken',
                $this->desk->state($stored, $runs),
                fn (): array => ImpactResource::of($this->desk->standing($stored, $runs)),
            ),
        );
    }

    /** @return Answer<array{run: ImpactRun|null}> */
    public function show(Loaded $loaded, string $id): Answer
    {
        $impact = $this->desk->on($loaded, $id);

        return new Answer(['run' => $impact === null ? null : ImpactResource::run($impact)]);
    }

    /** @return Answer<array{recorded: true}> */
    public function record(
        #[Body(ChosenRemedy::class)] ChosenRemedy $sent,
        Membership $member,
        StoredInstallation $stored,
        string $id,
    ): Answer {
        $this->desk->record($stored, $member, $id, $sent->remedy, strtolower($sent->id));

        return new Answer(['recorded' => true], 201);
    }
}
