<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Measure\Length;

/** How long cores are left, where each goes as far as its own terminal: block by block, else by function. */
final class CoreLengths
{
    /** @return list<CutTo> one where all are of one length; none where no terminal has to be reached */
    public static function of(StepMade $step, SheetLeg $leg, SheetFitting $fitting): array
    {
        $measure = $step->step->measure;
        if ($measure?->from !== MeasuredFrom::Terminal) {
            return [];
        }
        $names = $fitting->blockNames();
        $terminals = array_flip(array_map(strval(...), array_keys($step->doing->byTerminal())));
        $byName = [];
        foreach ($leg->preparation->cores as $core) {
            $address = $core->joint->address();
            $reach = $step->doing->station->terminals->reaches[$address] ?? null;
            if ($reach === null || ! isset($terminals[$address])) {
                continue;
            }
            $name = $names[$core->joint->channel] ?? ($core->joint->function === '' ? 'core' : $core->joint->function);
            $byName[$name][] = [$reach->plus($measure->length), $core->joint->conductor];
        }
        $cuts = [];
        foreach ($byName as $name => $of) {
            $lengths = array_column($of, 0);
            usort($lengths, static fn (Length $a, Length $b): int => $a->compare($b));
            $most = $lengths[count($lengths) - 1];
            $cuts[] = new CutTo(
                $lengths[0],
                (string) $name,
                $most->compare($lengths[0]) === 0 ? null : $most,
                array_column($of, 1),
            );
        }
        $isOne = count(array_unique(array_map(
            static fn (CutTo $cut): string => $cut->length->canonical().($cut->most?->canonical() ?? ''),
            $cuts,
        ))) === 1;

        return $isOne ? array_slice($cuts, 0, 1) : $cuts;
    }
}
