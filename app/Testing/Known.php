<?php

declare(strict_types=1);

namespace App\Testing;

use App\Formats\BadLine;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Reading;

/** Refuses a reading that speaks of points the assembly does not have: the plan has changed, or it is another cable. */
final class Known
{
    /** @throws BadLine */
    public static function check(Reading $reading, Expectation $expectation): void
    {
        $setup = $expectation->setup;
        foreach ($reading->lights as $probe => $lights) {
            if (! isset($setup->from[$probe])) {
                throw BadLine::because(
                    'reading',
                    (string) $probe,
                    'This is not a contact that is probed. Load the test again.',
                );
            }
            foreach ($lights as $lit) {
                if (! isset($setup->to[$lit])) {
                    throw BadLine::because(
                        'reading',
                        $lit,
                        'This is not a contact that can light. Load the test again.',
                    );
                }
            }
        }
        $pairs = array_column($setup->pairs, null, 'id');
        foreach ($reading->splits ?? [] as $pair) {
            if (! isset($pairs[$pair])) {
                throw BadLine::because('reading', $pair, 'This is not a pair that is tested. Load the test again.');
            }
        }
        $senses = $expectation->senses();
        foreach ($reading->samples as $sample) {
            if (! $senses->knows($sample->question)) {
                throw BadLine::because(
                    'reading',
                    $sample->question->at,
                    sprintf(
                        '"%s" cannot be asked of this here. Load the test again.',
                        Methods::card($sample->question->method)->words,
                    ),
                );
            }
        }
    }
}
