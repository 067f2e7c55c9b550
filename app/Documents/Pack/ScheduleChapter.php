<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Documents\Drawing\LengthText;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Ways\Routing\Hop;
use Sartal\Core\Work\Pulling\SiteState;

/** Every cable with its ends, its ways and its length, and where it was built otherwise. */
final class ScheduleChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $in = $packing->loaded->installation;
        $plan = $packing->loaded->plan();
        $book->table([[0, 'Cable'], [20, 'Type'], [62, 'From'], [98, 'To'], [134, 'Length'], [156, 'State']]);
        foreach ($in->runs() as $run) {
            $planned = $plan->runs[$run->id];
            $state = SiteState::read(
                $run->build,
                $packing->loaded->record->of($run->id),
                $plan->fingerprints($run->id),
            );
            $length = $state->built->length ?? $planned->cut->result;
            $book->row([
                $run->code,
                $in->catalogue->cables()[$run->cable]->name ?? $run->cable,
                $in->locationName($run->a->location),
                $in->locationName($run->b->location),
                LengthText::long($length, $packing->units),
                $run->withdrawn
                    ? 'withdrawn'
                    : implode(
                        ' ',
                        array_map(
                            static fn (Bead $bead): string => [
                                'to-do' => 'o',
                                'done' => '•',
                                'overtaken' => '!',
                                'failed' => 'x',
                            ][$bead->state->value],
                            $plan->strand($run->id),
                        ),
                    ),
            ]);
            $ways = implode(
                ', ',
                array_map(static fn (Hop $hop): string => $hop->way->name, $planned->lay->route->hops),
            );
            if ($ways !== '') {
                $book->aside($ways, 20.0);
            }
            foreach (self::otherwise($state, $planned->cut->result, $packing) as $words) {
                $book->aside($words, 20.0, '#b4622d');
            }
        }
        $book->space();
        $book->line(
            'State: the beads of its strand in the order of the work. • done, o not done, ! overtaken by a change, x '.
                'failed.',
            fill: '#4a6076',
        );
    }

    /** @return list<string> */
    private static function otherwise(SiteState $state, Length $planned, PackContents $packing): array
    {
        $words = [];
        $difference = $state->difference($planned);
        if ($difference !== null && ! $difference->isZero()) {
            $words[] = sprintf(
                'as built %s; planned %s',
                LengthText::long($state->built->length ?? $planned, $packing->units),
                LengthText::long($planned, $packing->units),
            );
        }
        if ($state->built?->ways !== null) {
            $words[] =
                'lies in: '.
                implode(
                    ', ',
                    array_map(
                        static fn (string $way): string => $packing->loaded->installation->ways()[$way]->name ?? $way,
                        $state->built->ways,
                    ),
                );
        }

        return $words;
    }
}
