<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Labelling\Rotation;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Runs\RunPlans;

/** Printed texts that read as another one upside down, over everything printed. */
final class LabelChecks
{
    /** @return array<array-key, string> text → what it reads upside down */
    public static function clashes(Installation $installation, RunPlans $runs): array
    {
        $printed = [];
        foreach ($runs as $run) {
            foreach ($run->labels as $label) {
                $printed[$label->code] = true;
            }
        }
        foreach ($installation->equipment() as $device) {
            foreach ($device->ports as $port) {
                $printed[$port->name] = true;
            }
        }

        return Rotation::clashes(array_map(strval(...), array_keys($printed)));
    }

    /**
     * Labels that say the same, and such as are too long to be read out.
     *
     * @return list<Finding>
     */
    public static function texts(Installation $installation, RunPlans $runs): array
    {
        $said = $findings = [];
        $limit = $installation->rules()->labels->limit;
        foreach ($runs as $id => $run) {
            $long = [];
            foreach ($installation->theRun($id)->withdrawn ? [] : $run->labels as $label) {
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
            [$id, $label] = $labels[0];
            $codes = array_unique(
                array_map(static fn (array $each): string => $installation->theRun($each[0])->code, $labels),
            );
            $of = array_unique(array_map(static fn (array $each): string => (string) $each[0], $labels));
            // Runs of one code are another finding.
            if (count($labels) > 1 && (count($codes) > 1 || count($of) === 1)) {
                $findings[] = Finding::check(
                    'label.same',
                    Subject::run((string) $id),
                    sprintf(
                        '%d labels say “%s”: nobody can tell them apart.',
                        count($labels),
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
    public static function findings(array $clashes, RunPlans $runs): array
    {
        $findings = [];
        foreach ($runs as $run) {
            $texts = [];
            foreach ($run->labels as $label) {
                if (isset($clashes[$label->code])) {
                    $texts[$label->code] = $label->code.' ↔ '.$clashes[$label->code];
                }
            }
            if ($texts !== []) {
                $findings[] = Finding::note(
                    'label.rotates',
                    Subject::run($run->run),
                    'Read upside down, one label is another in use: '.implode(', ', $texts).'.',
                    'They are printed marked, as the house rule has it; keep the mark on the label.',
                );
            }
        }

        return $findings;
    }
}
