<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Findings\Finding;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Labelling\Rotation;

/** Printed texts that read as another one upside down, over everything printed. */
final class LabelChecks
{
    /**
     * @param  array<string, RunPlan>  $runs
     * @return array<array-key, string> text → what it reads upside down
     */
    public static function clashes(Installation $installation, array $runs): array
    {
        $printed = [];
        foreach ($runs as $run) {
            foreach ($run->labels as $label) {
                $printed[$label->code] = true;
            }
        }
        foreach ($installation->equipment as $device) {
            foreach ($device->ports as $port) {
                $printed[$port->name] = true;
            }
        }

        return Rotation::clashes(array_map(strval(...), array_keys($printed)));
    }

    /**
     * @param  array<array-key, string>  $clashes
     * @param  array<string, RunPlan>  $runs
     * @return list<Finding>
     */
    public static function findings(array $clashes, array $runs): array
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
                    'label.rotates', 'run:'.$run->run,
                    'Read upside down, one label is another in use: '.implode(', ', $texts).'.',
                    'They are printed marked, as the house rule has it; keep the mark on the label.',
                );
            }
        }

        return $findings;
    }
}
