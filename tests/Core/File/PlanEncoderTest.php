<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Side;

/** Shapes: docs/schema/plan.schema.json. */
final class PlanEncoderTest extends TestCase
{
    public function test_a_joint_made_by_hand_says_why_and_any_other_says_nothing_of_it(): void
    {
        $joint = static fn (string $why): Joint => new Joint(
            'A-1',
            Side::B,
            '',
            'pair.a',
            'b:2',
            'hot',
            '1',
            'line',
            $why,
        );
        $usual = [
            'leg' => '',
            'conductor' => 'pair.a',
            'to' => 'b:2',
            'function' => 'hot',
            'channel' => '1',
            'circuit' => 'line',
        ];
        self::assertSame($usual, PlanEncoder::joint($joint('')));
        self::assertSame([...$usual, 'exception' => 'polarity turned'], PlanEncoder::joint($joint('polarity turned')));
    }
}
