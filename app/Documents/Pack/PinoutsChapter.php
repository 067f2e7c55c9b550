<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;

/** Core by core, where each of them sits at both ends. */
final class PinoutsChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $in = $packing->loaded->installation;
        foreach ($in->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $plan = $packing->loaded->plan()->runs[$run->id];
            $book->heading($run->code, $in->catalogue->cables()[$run->cable]->name ?? $run->cable);
            $book->table([[0, 'Core'], [44, 'End A'], [104, 'End B'], [164, 'Serves']]);
            $conductors = isset($in->catalogue->cables()[$run->cable])
                ? $in->catalogue->cables()[$run->cable]->conductors()
                : [];
            $at = [];
            foreach ($plan->ends() as $side => $end) {
                foreach ($end->joints as $joint) {
                    $at[$joint->conductor][$side][] = $joint;
                }
                foreach ($end->unused as $unused) {
                    $at[$unused->conductor][$side][] = 'open: '.$unused->reason;
                }
            }
            foreach ($conductors as $path => $conductor) {
                $of = $at[$path] ?? [];
                $first = ($of['A'] ?? ($of['B'] ?? ['']))[0];
                $book->row([
                    trim($path.' '.$conductor->element->colour),
                    self::end($of['A'] ?? [], $packing),
                    self::end($of['B'] ?? [], $packing),
                    $first instanceof Joint ? trim($first->channel.' '.$first->function) : '',
                ]);
            }
        }
    }

    /** @param  list<Joint|string>  $joints */
    private static function end(array $joints, PackContents $packing): string
    {
        return implode(
            ', ',
            array_map(static function (Joint|string $joint) use ($packing): string {
                if (is_string($joint)) {
                    return $joint;
                }
                $fitting = Node::fitting($joint->to);

                return trim(
                    ($packing->loaded->installation->fittings()[$fitting ?? '']->label ?? ($fitting ?? 'splice')).
                        ' '.
                        $joint->address().
                        ($joint->byHand === '' ? '' : ' (by hand: '.$joint->byHand.')'),
                );
            }, $joints),
        );
    }
}
