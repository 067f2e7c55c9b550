<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Labelling\LabelTexts;
use Sartal\Core\Ends\Labelling\Rotation;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Clashes;
use Sartal\Core\Plan\Near\RunCard;

/** Printed texts that read as another one upside down, over everything printed. */
final class LabelChecks
{
    /** @return array<array-key, string> text → what it reads upside down */
    public static function clashes(Installation $installation): array
    {
        $printed = array_fill_keys(Clashes::ports($installation), true);
        foreach ($installation->runs() as $run) {
            foreach (LabelTexts::codes($run, $installation) as $code) {
                $printed[$code] = true;
            }
        }

        return Rotation::clashes(array_map(strval(...), array_keys($printed)));
    }

    /**
     * Labels that say the same, and such as are too long to be read out.
     *
     * @param  Beyond  $beyond  the rest, where the installation is a part
     * @return list<Finding>
     */
    public static function texts(Installation $installation, Beyond $beyond): array
    {
        $said = $findings = [];
        $limit = $installation->rules()->labels->limit;
        foreach ($installation->runs() as $id => $run) {
            $long = [];
            foreach ($run->withdrawn ? [] : LabelTexts::write($run, $installation) as $label) {
                $said[$label->code."\n".$label->line][] = [$id, $label];
                if (mb_strlen($label->code) > $limit) {
                    $long[] = $label->code;
                }
            }
            if ($long !== []) {
                $findings[] = Finding::check(
                    'label.long',
                    Subject::run((string) $id),
                    sprintf(
                        'The label %s has %d characters, and %d are the most.',
                        $long[0],
                        mb_strlen($long[0]),
                        $limit,
                    ),
                    'Shorten the code, or the scheme under Labels.',
                );
            }
        }
        foreach ($said as $text => $labels) {
            $id = (string) $labels[0][0];
            $elsewhere = $beyond->labelled((string) $text);
            $codes = array_unique([
                ...array_map(static fn (array $each): string => $installation->theRun($each[0])->code, $labels),
                ...array_map(static fn (RunCard $each): string => $each->code, $elsewhere),
            ]);
            $of = array_unique([
                ...array_map(static fn (array $each): string => (string) $each[0], $labels),
                ...array_map(static fn (RunCard $each): string => $each->run, $elsewhere),
            ]);
            $count = count($labels) + count($elsewhere);
            $isFirst = array_filter(
                $elsewhere,
                static fn (RunCard $each): bool => $beyond->isBefore($each, $id),
            ) === [];
            // Runs of one code are another finding.
            if ($count > 1 && $isFirst && (count($codes) > 1 || count($of) === 1)) {
                $findings[] = Finding::check(
                    'label.same',
                    Subject::run($id),
                    sprintf(
                        '%d labels say “%s”: nobody can tell them apart.',
                        $count,
                        str_replace("\n", ', ', (string) $text),
                    ),
                    'Put {run}, {end} or {leg} into the scheme under Labels.',
                );
            }
        }

        return $findings;
    }

    /**
     * @param  array<array-key, string>  $clashes
     * @return list<Finding>
     */
    public static function findings(Installation $installation, array $clashes): array
    {
        $findings = [];
        foreach ($clashes === [] ? [] : $installation->runs() as $run) {
            $texts = [];
            foreach (LabelTexts::codes($run, $installation) as $code) {
                if (isset($clashes[$code])) {
                    $texts[$code] = $code.' ↔ '.$clashes[$code];
                }
            }
            if ($texts !== []) {
                $findings[] = Finding::note(
                    'label.rotates',
                    Subject::run($run->id),
                    'Read upside down, one label is another in use: '.implode(', ', $texts).'.',
                    'They are printed marked, as the house rule has it; keep the mark on the label.',
                );
            }
        }

        return $findings;
    }
}
