<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Handover\PackDesk;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\RunsInGroups;
use App\Releases\Comparison;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Later\Handover\Gap;
use Sartal\Core\Later\Handover\GapKind;

/**
 * Whether everything is there that a signature needs, and where it is mended.
 *
 * @phpstan-type HandoverPage array{
 *     ready: bool,
 *     runs: int,
 *     clear: int,
 *     groups: list<array{
 *         kind: value-of<GapKind>,
 *         words: string,
 *         gaps: list<array{run: string, code: string, loom: string|null, words: string, path: string}>,
 *     }>,
 * }
 */
final readonly class HandoverController
{
    public function __construct(private PackDesk $desk, private InstallationStore $store)
    {
    }

    /**
     * "loom": its name, "" where its run is in none; null where it is of no run.
     *
     * @return Answer<HandoverPage>
     */
    public function show(StoredInstallation $stored, Container $container, RunsInGroups $groups): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::atWork($stored, $loaded)->all();
        $decided = Kept::once(
            $stored,
            'hand-over',
            Kept::state($stored->edition(), $stored->decisions),
            fn (): array => $this->decided($stored, $loaded()),
        );
        $gaps = $this->desk->missing($stored, $standings, $decided['findings'], $decided['codes']);
        $looms = array_map(
            static fn (array $run): string => $run['loom'],
            $groups->of($stored, fn (): Loaded => $this->store->load($stored)),
        );
        $assemblyOf = [];
        $runs = 0;
        foreach ($standings as $standing) {
            foreach ($standing->runs as $id => $run) {
                $assemblyOf[$id] = $standing->id;
                $runs += $run->withdrawn ? 0 : 1;
            }
        }
        $open = array_unique(array_filter(array_map(static fn (Gap $gap): string => $gap->run, $gaps)));
        if ($decided['changes'] > 0) {
            $gaps[] = new Gap(
                GapKind::Unreleased,
                '',
                sprintf('%d', $decided['changes']),
                'decided since the release that is worked from',
            );
        }
        $kinds = [];
        foreach ($gaps as $gap) {
            $kinds[$gap->kind->value]['kind'] = $gap->kind->value;
            $kinds[$gap->kind->value]['words'] = $gap->kind->words();
            $kinds[$gap->kind->value]['gaps'][] = [
                'run' => $gap->run,
                'code' => $gap->code,
                'loom' => $looms[$gap->run] ?? null,
                'words' => $gap->words,
                'path' => self::path($gap, $assemblyOf),
            ];
        }

        return new Answer([
            'ready' => $runs > 0 && $gaps === [],
            'runs' => $runs,
            'clear' => max(0, $runs - count($open)),
            'groups' => array_values($kinds),
        ]);
    }

    /** @return array{findings: list<Finding>, codes: array<int|string, string>, changes: int} */
    private function decided(StoredInstallation $stored, Loaded $loaded): array
    {
        $isReleased = $stored->release_id !== null;

        return [
            'findings' => $loaded->plan()->judged(),
            'codes' => array_map(static fn (Run $run): string => $run->code, $loaded->installation->runs()),
            'changes' => $isReleased ? count(Comparison::between($loaded, $this->store->load($stored))) : 0,
        ];
    }

    /**
     * Where it is mended.
     *
     * @param  array<int|string, string>  $assemblyOf  by run
     */
    private static function path(Gap $gap, array $assemblyOf): string
    {
        $run = rawurlencode($gap->run);
        $assembly = rawurlencode($assemblyOf[$gap->run] ?? $gap->run);

        return match ($gap->kind) {
            GapKind::Overtaken => '/handover/overtaken',
            GapKind::Failed, GapKind::Contradiction, GapKind::Untested, GapKind::Licence, GapKind::OwnWork => '/test/'.
                $assembly,
            GapKind::UntestedInPlace => '/test/'.$assembly.'?stage=installed',
            GapKind::Calibration => '/test/instruments',
            GapKind::NotMade, GapKind::NotLooked, GapKind::Question, GapKind::Held => '/bench/'.$assembly,
            GapKind::NotLabelled => '/labels',
            GapKind::NotInPlace => '/site?find='.rawurlencode($gap->code),
            GapKind::Service => '/handover/service',
            GapKind::Unreleased => '/handover/releases',
            GapKind::ForLater => '/runs/'.$run,
            GapKind::Stop => $gap->run === '' ? '/rules/building' : '/runs/'.$run,
        };
    }
}
