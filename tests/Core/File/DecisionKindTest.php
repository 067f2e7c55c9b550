<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\DecisionName;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;

/** The one list of what people decide, against the demo's file, which holds some of everything. */
final class DecisionKindTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function demo(): array
    {
        /** @var array<string, mixed> $demo */
        $demo = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );

        // What the demo has none of.
        return [
            'patterns' => [['id' => 'hall', 'name' => 'Hall leads', 'kind' => 'leads', 'answers' => ['many' => '3']]],
            'checked' => [['id' => 'M-201.b1', 'print' => 'x', 'by' => 'Somebody', 'at' => '2026-03-12T09:00:00Z']],
            'whys' => [[
                'id' => 'run.M-201',
                'note' => 'The duct is full.',
                'by' => 'Somebody',
                'at' => '2026-03-12T09:00:00Z',
            ]],
        ] + $demo;
    }

    public function test_every_list_of_a_file_and_of_a_catalogue_is_of_one_kind(): void
    {
        $demo = self::demo();
        $lists = array_filter(
            array_map(
                static fn (DecisionKind $kind): string => $kind->home() === DecisionHome::Type ? '' : $kind->list(),
                DecisionKind::cases(),
            ),
        );
        // What is plugged and joined together is one decision with four lists; people and the record are none.
        $together = ['matings', 'splices', 'links', 'switches'];
        $others = ['format', 'version', 'installation', 'catalogue', 'economy', 'workshop', 'testing'];
        $file = array_keys(
            FileEncoder::installation(InstallationFile::parse((string) json_encode($demo))->installation),
        );
        self::assertEqualsCanonicalizing(array_diff($file, $together, $others), $lists);
        self::assertSame($lists, array_unique($lists));
        $types = array_map(static fn (DecisionKind $kind): string => $kind->list(), DecisionKind::offered());
        // The demo is from before there were procedures.
        self::assertEqualsCanonicalizing(array_keys((array) $demo['catalogue']), [...$types, 'former']);
    }

    public function test_each_of_the_demo_is_read_and_written_back_as_it_is(): void
    {
        $demo = self::demo();
        $looked = [];
        foreach ([DecisionKind::Run, ...DecisionKind::entries()] as $kind) {
            foreach ((array) ($demo[$kind->list()] ?? []) as $shape) {
                self::assertIsArray($shape);
                $canonical = Decided::canonical($kind, $shape);
                self::assertSame($canonical, Decided::canonical($kind, $canonical), $kind->value);
                self::assertSame($shape['id'], $canonical['id']);
                $looked[$kind->value] = true;
            }
        }
        self::assertGreaterThan(8, count($looked));
        foreach ([DecisionKind::Rules, DecisionKind::Economy, DecisionKind::Workshop, DecisionKind::Testing] as $kind) {
            $canonical = Decided::canonical($kind, []);
            self::assertSame($canonical, Decided::canonical($kind, $canonical), $kind->value);
        }
        $this->expectException(InvalidDocument::class);
        Decided::canonical(DecisionKind::Location, ['id' => 'a b']);
    }

    public function test_laid_over_an_installation_it_is_as_if_the_file_had_said_so(): void
    {
        $demo = self::demo();
        $in = InstallationFile::parse((string) json_encode($demo))->installation;
        $parse = static fn (array $file): array => FileEncoder::installation(
            InstallationFile::parse((string) json_encode(['people' => [], 'record' => []] + $file))->installation,
        );
        foreach ([DecisionKind::Run, ...DecisionKind::entries()] as $kind) {
            $entries = (array) ($demo[$kind->list()] ?? []);
            if ($entries === []) {
                continue;
            }
            $first = $entries[0];
            self::assertIsArray($first);
            $name = array_key_exists('name', $first)
                ? 'name'
                : (array_key_exists('label', $first)
                    ? 'label'
                    : (array_key_exists('code', $first)
                        ? 'code'
                        : (array_key_exists('by', $first) ? 'by' : 'marks')));
            $other = static fn (string $words): array => $name === 'marks' ? ['length' => '77 m'] : [$name => $words];
            $changed = $other('Called otherwise') + $first;
            // A reason is of something: its id says of what.
            $id = $kind === DecisionKind::Why ? 'run.added' : 'added';
            $added = ['id' => $id] + $other('Added') + $first;
            $after = Decided::in($in, $kind, (string) $first['id'], $changed);
            $after = Decided::in($after, $kind, $id, $added);
            self::assertEquals(
                $parse([$kind->list() => [$changed, ...array_slice($entries, 1), $added]] + $demo)[$kind->list()],
                FileEncoder::installation($after)[$kind->list()],
                $kind->value,
            );
            self::assertEquals(
                FileEncoder::installation($in)[$kind->list()],
                FileEncoder::installation(
                    Decided::in(Decided::in($after, $kind, $id, null), $kind, (string) $first['id'], $first),
                )[$kind->list()],
            );
        }
    }

    public function test_whatever_one_says_why_of_has_a_name_and_what_is_not_there_has_none(): void
    {
        $demo = self::demo();
        $in = InstallationFile::parse((string) json_encode($demo))->installation;
        foreach (DecisionKind::cases() as $kind) {
            $isWhole = $kind->home() === DecisionHome::Whole;
            $list = $kind->home() === DecisionHome::Type ? $demo['catalogue'] : $demo;
            $first = $isWhole ? 'all' : $list[$kind->list()][0]['id'] ?? null;
            if ($first !== null) {
                self::assertSame($kind->hasReason(), DecisionName::of($kind, $first, $in) !== null, $kind->value);
            }
            self::assertNull(DecisionName::of($kind, 'no such thing', $in), $kind->value);
        }
    }

    public function test_stock_and_people_overtake_nothing(): void
    {
        $harmless = array_filter(DecisionKind::cases(), static fn (DecisionKind $kind): bool => ! $kind->overtakes());
        self::assertEqualsCanonicalizing(
            ['reel', 'instrument', 'pattern', 'contact-check', 'why', 'economy', 'workshop', 'testing'],
            array_column($harmless, 'value'),
        );
        $live = array_filter(DecisionKind::cases(), static fn (DecisionKind $kind): bool => $kind->isLive());
        self::assertSame([], array_filter($live, static fn (DecisionKind $kind): bool => $kind->overtakes()));
    }
}
