<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Contract\Map;
use App\Labels\LabelsThere;
use App\Labels\LabelStock;
use App\Library\Library;
use App\Library\Stand;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\FoundWrong;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\MadeOnce;
use App\Telling\Notices;
use Illuminate\Container\Attributes\CurrentUser;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/** What is left to do in each place of the work, for the rail. */
final readonly class OutstandingController
{
    public function __construct(
        private InstallationStore $store,
        private LabelStock $labels,
        private LabelsThere $there,
        private Library $library,
    ) {
    }

    /** @return Answer<Map<int>> */
    public function __invoke(StoredInstallation $stored, #[CurrentUser] ?User $user): Answer
    {
        $last = $stored->events()->toBase()->reorder()->orderByDesc('id')->value('uuid');
        $known = MadeOnce::of(
            $stored,
            'outstanding',
            Kept::state($stored->decisions, $stored->edition(), (string) $last, LabelStock::state($stored)),
            fn (): array => $this->counts($stored),
        );
        $newer = array_filter(
            $this->library->of($stored),
            static fn (array $each): bool => $each['stand'] === Stand::Newer,
        );

        return new Answer(
            new Map($known + [
                'rules' => count($newer),
                // Made ahead, it is nobody's.
                'notices' => $user === null ? 0 : Notices::unread($stored, $user),
            ]),
        );
    }

    /** @return array<int|string, int> */
    private function counts(StoredInstallation $stored): array
    {
        $live = $working = null;
        $decided = function () use ($stored, &$live): Loaded {
            return $live ??= $this->store->load($stored);
        };
        $atWork = function () use ($stored, $decided, &$working): Loaded {
            return $working ??= $stored->release_id === null ? $decided() : $this->store->atWork($stored);
        };
        $counts = self::count(KeptStandings::atWork($stored, $atWork)->runs());
        $wrong = FoundWrong::count($stored, $decided);
        foreach (KeptStandings::decided($stored, $decided)->all() as $standing) {
            $wrong += count($standing->results);
        }

        $labels = $this->there->of($stored, $atWork);
        $printed = $this->labels->printed($stored);
        $left = array_filter(
            $labels,
            static fn (array $fingerprints, int|string $id): bool => ! in_array(
                $printed[$id]['fingerprint'] ?? '',
                $fingerprints,
                true,
            ),
            ARRAY_FILTER_USE_BOTH,
        );

        return ['schedule' => $wrong] + $counts + ['labels' => count($left)];
    }

    /**
     * @param  array<int|string, RunStanding>  $runs
     * @return array<string, int>
     */
    private static function count(array $runs): array
    {
        $counts = ['schedule' => 0, 'cutting' => 0, 'bench' => 0, 'test' => 0, 'handover' => 0];
        foreach ($runs as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $made = $run->isDone(Stage::EndA) && $run->isDone(Stage::EndB);
            // What a change has overtaken waits for a remedy.
            $counts['handover'] += $run->in(BeadState::Overtaken) === [] ? 0 : 1;
            $counts['cutting'] += $run->isDone(Stage::Cut) ? 0 : 1;
            $counts['bench'] += $made ? 0 : 1;
            $counts['test'] += $made && ! $run->isDone(Stage::Test) ? 1 : 0;
        }

        return $counts;
    }
}
