<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Handover\PackDesk;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Releases\Comparison;
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
 *         gaps: list<array{run: string, code: string, words: string, path: string}>,
 *     }>,
 * }
 */
final readonly class HandoverController
{
    public function __construct(private PackDesk $desk, private InstallationStore $store)
    {
    }

    /**
     * @return Answer<HandoverPage>
     */
    public function show(StoredInstallation $stored, Loaded $loaded): Answer
    {
        $gaps = $this->desk->gaps($stored, $loaded);
        $runs = count(array_filter($loaded->installation->runs(), static fn ($run): bool => ! $run->withdrawn));
        $open = array_unique(array_filter(array_map(static fn (Gap $gap): string => $gap->run, $gaps)));
        $changes = $stored->release_id === null ? 0 : count(Comparison::between($loaded, $this->store->load($stored)));
        if ($changes > 0) {
            $gaps[] = new Gap(
                GapKind::Unreleased,
                '',
                sprintf('%d', $changes),
                'decided since the release that is worked from',
            );
        }
        $groups = [];
        foreach ($gaps as $gap) {
            $groups[$gap->kind->value]['kind'] = $gap->kind->value;
            $groups[$gap->kind->value]['words'] = $gap->kind->words();
            $groups[$gap->kind->value]['gaps'][] = [
                'run' => $gap->run,
                'code' => $gap->code,
                'words' => $gap->words,
                'path' => self::path($gap, $loaded),
            ];
        }

        return new Answer([
            'ready' => $gaps === [],
            'runs' => $runs,
            'clear' => max(0, $runs - count($open)),
            'groups' => array_values($groups),
        ]);
    }

    /** Where it is mended. */
    private static function path(Gap $gap, Loaded $loaded): string
    {
        $run = rawurlencode($gap->run);
        $assembly = rawurlencode($loaded->plan()->assemblyOf[$gap->run] ?? $gap->run);

        return match ($gap->kind) {
            GapKind::Overtaken => '/handover/overtaken',
            GapKind::Failed, GapKind::Contradiction, GapKind::Untested, GapKind::Licence, GapKind::OwnWork => '/test/'.
                $assembly,
            GapKind::UntestedInPlace => '/test/'.$assembly.'?stage=installed',
            GapKind::Calibration => '/test/instruments',
            GapKind::NotMade, GapKind::Question, GapKind::Held => '/bench/'.$assembly,
            GapKind::NotLabelled => '/labels',
            GapKind::NotInPlace => '/site?find='.rawurlencode($gap->code),
            GapKind::Service => '/handover/service',
            GapKind::Unreleased => '/handover/releases',
            GapKind::Stop => $gap->run === '' ? '/rules/building' : '/runs/'.$run,
        };
    }
}
