<?php

declare(strict_types=1);

namespace Tests\Core\Plan\Importing;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Importing\Lengths;
use Sartal\Core\Plan\Importing\PortFor;

/** What a list says of a building, and what has to be made for it. */
final class LengthsTest extends TestCase
{
    private static function demo(): Installation
    {
        return InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 4).'/database/demo/brackwater.json'),
        )->installation;
    }

    private static function without(Installation $in, string $way): Installation
    {
        return $in->changed(['ways' => array_diff_key($in->ways(), [$way => true])]);
    }

    public function test_the_longest_makes_a_way_where_none_leads_and_none_where_one_does(): void
    {
        $demo = self::demo();
        // A-114 goes from the lectern to the amplifier rack; the lectern hangs on one way.
        $run = $demo->theRun('A-114');
        $joined = new Lengths($demo);
        $joined->say($run, Length::metres(9));
        self::assertSame([1, 0, []], [$joined->passedOver, $joined->missing(), $joined->ways($demo)]);

        $apart = self::without($demo, 'to-lectern');
        $lengths = new Lengths($apart);
        foreach ([11, 14, 12] as $metres) {
            $lengths->say($run, Length::metres($metres));
        }
        // The other way round it is the same pair.
        $lengths->say($run->withEnd(Side::A, $run->b)->withEnd(Side::B, $run->a), Length::metres(13));
        self::assertSame([0, 1], [$lengths->passedOver, $lengths->missing()]);
        $made = array_values($lengths->ways($apart));
        self::assertCount(1, $made);
        self::assertSame(14_000_000_000, $made[0]->length->nanometres);
        self::assertSame('Lectern – Amplifier rack 1', $made[0]->name);
        // With it there, the same list makes nothing more.
        $again = new Lengths($apart->changed(['ways' => $apart->ways() + $lengths->ways($apart)]));
        $again->say($run, Length::metres(14));
        self::assertSame([1, 0], [$again->passedOver, $again->missing()]);
    }

    public function test_an_id_is_free_plain_and_never_empty(): void
    {
        self::assertSame('buhne-links-2', Names::free('Bühne, links', ['buhne-links' => 1], 'place'));
        self::assertSame('place', Names::free('???', [], 'place'));
        self::assertSame('place-3', Names::free('', ['place' => 1, 'place-2' => 1], 'place'));
        self::assertSame('101-2', Names::free('101', ['101' => 1], 'place'));
        self::assertSame(50, strlen(Names::free(str_repeat('room ', 40), [], 'place')) + 1);
    }

    public function test_a_port_mates_with_what_is_plugged_in_and_is_built_into_its_device(): void
    {
        $catalogue = self::demo()->catalogue;
        $checked = 0;
        foreach ($catalogue->connectors() as $plug) {
            $port = PortFor::a($plug->id, $catalogue);
            $mates = array_filter(
                $catalogue->connectors(),
                static fn ($other): bool => ! $other->retired && in_array(
                    true,
                    [$plug->matesWith($other) !== null, $other->matesWith($plug) !== null],
                    true,
                ),
            );
            self::assertSame($mates === [], $port === null, $plug->id);
            if ($port !== null) {
                self::assertArrayHasKey($port->id, $mates);
                $built = array_filter($mates, static fn ($other): bool => $other->mount === Mount::Panel);
                self::assertSame($built !== [], $port->mount === Mount::Panel, $plug->id);
                $checked++;
            }
        }
        self::assertGreaterThan(5, $checked);
        self::assertNull(PortFor::a('gone', $catalogue));
    }
}
