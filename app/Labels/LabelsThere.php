<?php

declare(strict_types=1);

namespace App\Labels;

use App\Models\StoredInstallation;
use App\Planning\Joined;
use App\Planning\Kept;
use App\Planning\KeptOfRuns;
use App\Planning\Loaded;
use App\Planning\Near;
use Closure;
use Sartal\Core\Plan\Near\TieName;

/** Which labels there are, and by what it is known whether one was printed as it is: kept by run and by port. */
final readonly class LabelsThere
{
    public function __construct(private LabelStock $labels, private Near $near)
    {
    }

    /**
     * @param  Closure(): Loaded  $atWork  as the shop works from it
     * @return array<int|string, list<string>> label → its fingerprints, as each edition makes them
     */
    public function of(StoredInstallation $stored, Closure $atWork): array
    {
        /** @var KeptOfRuns<array<int|string, list<string>>> $kept */
        $kept = new KeptOfRuns(
            $stored,
            'labels that there are',
            static fn (string $decisions): string => Kept::state(
                $stored->release_id === null ? $decisions : $stored->edition(),
            ),
        );
        $all = $kept->of(
            fn (): array => $this->grouped($atWork(), null),
            fn (array $runs): array => $this->grouped($this->around($stored, $runs), $runs),
        );
        $labels = [];
        foreach ($all as $of) {
            $labels += $of;
        }

        return $labels;
    }

    /** @param  list<string>  $runs  with whatever is plugged into a port: its label says so */
    private function around(StoredInstallation $stored, array $runs): Loaded
    {
        $plugged = [];
        foreach (Joined::in($stored->panel)['matings'] as $mating) {
            $plugged[] = TieName::fitting($mating->fitting);
        }

        return $this->near->runs($stored, $runs, $plugged);
    }

    /**
     * @param  ?list<string>  $runs  those of which they are, and of all ports; null: of all runs
     * @return array<int|string, array<int|string, list<string>>> run, or label of a port → label → fingerprints
     */
    private function grouped(Loaded $loaded, ?array $runs): array
    {
        $in = $loaded->installation->runs();
        $grouped = array_map(
            static fn (): array => [],
            $runs === null ? $in : array_intersect_key($in, array_flip($runs)),
        );
        foreach ($this->labels->of($loaded) as $label) {
            if ($label->run === '' || isset($grouped[$label->run])) {
                $grouped[$label->run === '' ? $label->id : $label->run][$label->id] = $label->fingerprints();
            }
        }

        return $grouped;
    }
}
