<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Bench\Places;
use App\Contract\Answer;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Kept;
use App\Planning\Touched;
use Illuminate\Container\Attributes\CurrentUser;

/**
 * Whether anything is new: a page asks this alone, as often as it likes, and the rest when it has changed.
 *
 * @phpstan-type Marks array{decided: string, recorded: string, told: string, present: string, noticed: string}
 */
final readonly class SinceController
{
    public function __construct(private Places $places)
    {
    }

    /** @return Answer<Marks> */
    public function __invoke(StoredInstallation $stored, #[CurrentUser] User $user): Answer
    {
        $present = array_map(
            static fn (array $each): string => $each['person'].' '.$each['assembly'],
            $this->places->others($stored, $user),
        );

        return new Answer([
            'decided' => Kept::state(
                $stored->decisions,
                $stored->edition(),
                (string) $stored->version,
                $stored->name,
                $stored->archived_at === null ? '' : 'archived',
            ),
            'recorded' => implode('.', Touched::last($stored)),
            'told' => (string) $stored->told,
            'noticed' => (string) $stored->noticed,
            'present' => $present === [] ? '' : hash('xxh32', implode("\n", $present)),
        ]);
    }
}
