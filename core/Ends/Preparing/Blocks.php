<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Measure\Length;

/**
 * The staggered cut: the block nearest the exit is the shortest, each other
 * longer by how much further away it lies.
 */
final class Blocks
{
    /** Block 1 is brown: the digits' colours, IEC 60062. */
    private const COLOURS = ['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'];

    /** @return list<Block> none where the plan has no blocks */
    public static function in(ContactPlan $plan, FittingLayout $layout, HoodExit $exit): array
    {
        $hood = new HoodLengths($layout, $exit);
        $lengths = [];
        $members = [];
        foreach ($plan->channels as $channel => $contacts) {
            $number = $plan->blockOf((string) $channel);
            if ($number > 0 && $contacts !== []) {
                $members[$number]['channels'][] = (string) $channel;
                $members[$number]['addresses'] = [...$members[$number]['addresses'] ?? [], ...array_values($contacts)];
            }
        }
        foreach ($members as $number => $block) {
            $lengths[$number] = $hood->toMiddleOf($block['addresses'], 'the middle of block '.$number);
        }
        $shortest = min([PHP_INT_MAX, ...array_map(static fn ($worked): int => $worked->result->nanometres, $lengths)]);
        $blocks = [];
        foreach ($lengths as $number => $worked) {
            $blocks[] = new Block(
                $number,
                $members[$number]['channels'],
                self::colour($number),
                $worked,
                Length::nanometres($worked->result->nanometres - $shortest),
            );
        }

        return $blocks;
    }

    public static function colour(int $number): string
    {
        return self::COLOURS[$number % 10];
    }
}
