<?php

declare(strict_types=1);

namespace Tests\Core\Plan\Joining;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Pinout\ContactPair;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\Facing;

/** A connector beside what it mates with: as it is joined, contact by contact. */
final class FacingTest extends TestCase
{
    private static function demo(): Installation
    {
        return InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 4).'/database/demo/brackwater.json'),
        )->installation;
    }

    /** @return array{int, list<string>} how many agree, and which do not */
    private static function judged(Facing $facing): array
    {
        $wrong = array_filter($facing->pairs, static fn (ContactPair $pair): bool => ! $pair->agrees());

        return [
            count($facing->pairs) - count($wrong),
            array_map(
                static fn (ContactPair $pair): string => $pair->address.' '.$pair->own.' – '.$pair->theirs,
                array_values($wrong),
            ),
        ];
    }

    public function test_what_is_joined_meets_its_own_and_a_swap_is_seen_on_both_contacts(): void
    {
        $in = self::demo();
        $facing = Facing::of($in, 'M-201.b1');
        self::assertNotNull($facing);
        // 24 channels of three: 72 contacts, each with its own function on both halves.
        self::assertSame([72, []], self::judged($facing));
        $run = $in->theRun('M-201');
        $swapped = $run->b
            ->joinedByHand('p1/a', new HandJoint('p1/a', 'M-201.b1/A2', 'swapped'))
            ->joinedByHand('p1/b', new HandJoint('p1/b', 'M-201.b1/A1', 'swapped'));
        $with = Facing::of($in->withRun($run->withEnd(Side::B, $swapped)), 'M-201.b1');
        self::assertNotNull($with);
        [$agree, $differ] = self::judged($with);
        sort($differ);
        self::assertSame(70, $agree);
        self::assertSame(['A1 1 cold – 1 hot', 'A2 1 hot – 1 cold'], $differ);
        self::assertNotSame($facing->print(), $with->print());
    }

    public function test_what_is_plugged_into_nothing_faces_nothing(): void
    {
        $in = self::demo()->changed(['matings' => []]);
        self::assertNull(Facing::of($in, 'M-201.b1'));
        self::assertNull(Facing::of($in, 'no such connector'));
    }
}
