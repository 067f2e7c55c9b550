<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\CodeEdition;
use App\Contract\Answer;
use App\Contract\Map;
use App\Labels\LabelStock;
use App\Library\Library;
use App\Library\Stand;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\MadeOnce;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/** What is left to do in each place of the work, for the rail. */
final readonly class OutstandingController
{
    public function __construct(
        private InstallationStore $store,
        private LabelStock $labels,
        private Library $library,
    ) {
    }

    /** @return Answer<Map<int>> */
    public function __invoke(StoredInstallation $stored): Answer
    {
        $last = $stored->events()->toBase()->reorder()->orderByDesc('id')->value('uuid');
        $known = MadeOnce::of(
            'outstanding.'.$stored->mark(),
            sprintf('%s.%s.%s.%s', CodeEdition::id(), $stored->decisions, $stored->edition(), $last),
            fn (): array => $this->counts($stored),
        );
        $printed = $this->labels->printed($stored);
        $left = count(
            array_filter(
                $known['labels'],
                static fn (array $fingerprints, int|string $id): bool => ! in_array(
                    $printed[$id]['fingerprint'] ?? '',
                    $fingerprints,
                    true,
                ),
                ARRAY_FILTER_USE_BOTH,
            ),
        );

        $newer = array_filter(
            $this->library->of($stored),
            static fn (array $each): bool => $each['stand'] === Stand::Newer,
        );

        return new Answer(new Map($known['counts'] + ['labels' => $left, 'rules' => count($newer)]));
    }

    /** @return array{counts: array<int|string, int>, labels: array<int|string, list<string>>} */
    private function counts(StoredInstallation $stored): array
    {
        $decided = $this->store->load($stored);
        $loaded = $stored->release_id === null ? $decided : $this->store->atWork($stored);
        $known = $this->count($loaded);
        $known['counts']['schedule'] = count(
            array_filter(
                $decided->plan()->findings,
                static fn (Finding $finding): bool => $finding->severity !== Severity::Note,
            ),
        );

        return $known;
    }

    /** @return array{counts: array<int|string, int>, labels: array<int|string, list<string>>} */
    private function count(Loaded $loaded): array
    {
        $plan = $loaded->plan();
        $counts = ['schedule' => 0, 'cutting' => 0, 'bench' => 0, 'test' => 0, 'handover' => 0];
        foreach ($loaded->installation->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $states = array_combine(
                array_map(static fn (Bead $bead): string => $bead->stage->value, $plan->strands[$run->id]),
                array_map(static fn (Bead $bead): BeadState => $bead->state, $plan->strands[$run->id]),
            );
            $done = static fn (Stage $stage): bool => ($states[$stage->value] ?? BeadState::Done) === BeadState::Done;
            $made = $done(Stage::EndA) && $done(Stage::EndB);
            // What a change has overtaken waits for a remedy.
            $counts['handover'] += in_array(BeadState::Overtaken, $states, true) ? 1 : 0;
            $counts['cutting'] += $done(Stage::Cut) ? 0 : 1;
            $counts['bench'] += $made ? 0 : 1;
            $counts['test'] += $made && ! $done(Stage::Test) ? 1 : 0;
        }
        $labels = $this->labels->of($loaded);

        return [
            'counts' => $counts,
            'labels' => array_combine(
                array_map(static fn (PrintedLabel $label): string => $label->id, $labels),
                array_map(static fn (PrintedLabel $label): array => $label->fingerprints(), $labels),
            ),
        ];
    }
}
