<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\LabelMaterial;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\SecondEnd;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\LoomSleeve;
use Sartal\Core\Work\Bench\Milestone;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Phase;
use Sartal\Core\Work\Bench\Prerequisite;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Sequencer;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Step;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Tests\Support\Bench;
use Tests\Support\Procedures;
use Tests\Support\Share;
use Tests\Support\Vice;

/** What is done at the bench, what must be done before what, and the order that comes of it. */
final class TravellerTest extends TestCase
{
    /** @param  array<string, list<LoomSleeve>>  $covers */
    private static function traveller(Bench $bench, array $covers = []): Traveller
    {
        $plan = $bench->plan();
        $operations = [];
        foreach ($plan->assemblies as $assembly) {
            array_push(
                $operations,
                ...(new OperationPlanner($bench->installation, $covers))->of($assembly, $plan->runs),
            );
        }

        return Traveller::order($operations, $bench->installation->rules());
    }

    /** How often a tool is laid down for another. */
    private static function toolChanges(Traveller $of): int
    {
        $tools = array_values(
            array_filter(array_map(static fn (Operation $each): string => $each->tool, array_values($of->operations))),
        );

        return count(
            array_filter(array_keys($tools), static fn (int $i): bool => $i > 0 && $tools[$i] !== $tools[$i - 1]),
        );
    }

    /** @return list<string> task and what of each step of one end */
    private static function steps(Traveller $traveller, ?Side $side = Side::A): array
    {
        $steps = array_filter($traveller->steps, static fn (Step $step): bool => $step->first()->side === $side);

        return array_values(
            array_map(
                static fn (Step $step): string => $step->first()->task->value.' '.$step->first()->part,
                $steps,
            ),
        );
    }

    private static function at(Traveller $traveller, string $part, Task $task): int
    {
        foreach (array_values($traveller->operations) as $i => $operation) {
            if ($operation->part === $part && $operation->task === $task) {
                return $i;
            }
        }

        return -1;
    }

    /** @return iterable<string, array{string}> */
    public static function cables(): iterable
    {
        foreach (ShippedCatalogue::load()->cables() as $cable) {
            yield $cable->id => [$cable->id];
        }
    }

    /** Every connector that this cable can be made to: a valid order, and nothing put on that could not get there. */
    #[DataProvider('cables')]
    public function test_every_pair_has_a_valid_order_in_which_everything_gets_on(string $cable): void
    {
        $catalogue = ShippedCatalogue::load();
        $made = [];
        $mains = str_contains($cable, 'mains') || str_contains($cable, 'composite');
        foreach ($catalogue->plans() as $plan) {
            if (isset($made[$plan->connector])) {
                continue;
            }
            foreach (
                $mains
                    ? ['mains', 'analogue']
                    : ['analogue', 'network', 'video', 'loudspeaker', 'control', 'lighting', 'digital-audio'] as $signal
            ) {
                try {
                    $bench = Bench::of(Bench::request('X-1', $cable, [$signal], [$plan->id], [$plan->id]));
                } catch (\Throwable) {
                    continue;
                }
                if ($bench->plan()->runs['X-1']->joints() === []) {
                    continue;
                }
                $made[$plan->connector] = true;
                foreach (
                    [
                        [],
                        [LabelMaterial::Sleeve, JointShrink::Each],
                        [JointShrink::WholeTail, SecondEnd::Together],
                    ] as $i => $rules
                ) {
                    if (! Share::isDrawn("{$cable} {$plan->connector} {$i}", 3)) {
                        continue;
                    }
                    $housed = $bench->with(rules: $bench->installation->rules()->with(...$rules));
                    $traveller = self::traveller($housed);
                    self::assertOrder($traveller, $cable.' '.$plan->connector);
                    self::assertSame(
                        [],
                        Vice::troubles($traveller, $housed->installation),
                        $cable.' in '.$plan->connector,
                    );
                }

                break;
            }
        }
        self::assertNotSame([], $made, 'nothing is made of '.$cable);
    }

    /** Whatever is needed stands before what needs it, and nothing is lost. */
    private static function assertOrder(Traveller $traveller, string $name): void
    {
        $done = $missing = [];
        $pieces = 0;
        foreach ($traveller->steps as $step) {
            foreach ($step->operations as $operation) {
                foreach ($operation->needs as $need) {
                    if (! isset($done[$need->before]) || $need->why === '') {
                        $missing[] = $operation->id.' needs '.$need->before.': '.$need->why;
                    }
                }
                $done[$operation->id] = true;
                $pieces++;
            }
        }
        self::assertSame([], $missing, $name);
        self::assertCount($pieces, $traveller->operations);
        self::assertSame(Task::Test, $traveller->steps[count($traveller->steps) - 1]->first()->task);
    }

    public function test_the_boot_the_nut_and_the_shell_go_on_in_the_order_in_which_they_lie(): void
    {
        self::assertSame(
            [
                'slide-on boot-3pole-black',
                'slide-on nut-3pole',
                'slide-on shell-3pole',
                'strip ',
                'strip ',
                'dress ',
                'strip ',
                'dress ',
                'gate ',
                'tin ',
                'dress ',
                'dress ',
                'tin ',
                'tin ',
                'join ',
                'tug ',
                'inspect ',
                'close chuck-narrow',
                'close ',
                'label label-wrap-s',
            ],
            self::steps(self::traveller(Bench::microphone())),
        );
    }

    public function test_the_ferrule_is_on_before_the_body(): void
    {
        $traveller = self::traveller(Bench::coax());
        $ferrule = self::at($traveller, 'ferrule-coax-large', Task::SlideOn);
        $body = self::at($traveller, 'ferrule-coax-large', Task::Join);
        self::assertGreaterThanOrEqual(0, $ferrule);
        self::assertGreaterThan($ferrule, $body);
        $words = array_map(
            static fn (Operation $operation): string => $operation->words,
            array_slice(array_values($traveller->operations), $ferrule, $body - $ferrule),
        );
        $after = [];
        foreach (['Crimp the pin', 'Push the body on', 'Lay the braid forward over the barrel'] as $each) {
            self::assertContains($each, $words);
            $after[] = array_search($each, $words, true);
        }
        self::assertTrue($after[0] < $after[1] && $after[1] < $after[2], 'the pin goes in before the body covers it');
        $byId = $traveller->operations;
        $pin = current(array_filter($byId, static fn (Operation $each): bool => $each->words === 'Crimp the pin'));
        self::assertInstanceOf(Operation::class, $pin);
        $gates = array_filter(
            array_map(static fn ($need): ?Operation => $byId[$need->before] ?? null, $pin->needs),
            static fn (?Operation $each): bool => $each?->task === Task::Gate,
        );
        self::assertCount(1, $gates, 'nothing is crimped before all of it was seen on the cable');
        self::assertContains(
            array_values($byId)[$ferrule]->id,
            array_map(static fn ($need): string => $need->before, current($gates)->needs ?? []),
        );
    }

    /**
     * A 3:1 shrink of 24 mm clears a plug of 21 mm and can wait; a 2:1 that grips the same sheath does not and cannot.
     */
    public function test_three_to_one_may_wait_and_two_to_one_may_not(): void
    {
        $bench = Bench::of(Bench::request('W-1', 'coax-50-lowloss', ['radio'], ['n-plug-radio'], ['n-plug-radio']));
        $waits = self::traveller($bench);
        self::assertSame(-1, self::at($waits, 'shrink-3to1-24', Task::SlideOn));
        self::assertGreaterThan(
            self::at($waits, 'ferrule-coax-lowloss', Task::Join),
            self::at($waits, 'shrink-3to1-24', Task::Close),
        );
        $must = self::traveller($bench->withCatalogueEdited(['connectors.n-plug.cable.slides' => ['shrink-2to1-19']]));
        self::assertGreaterThanOrEqual(0, self::at($must, 'shrink-2to1-19', Task::SlideOn));
        self::assertLessThan(
            self::at($must, 'ferrule-coax-lowloss', Task::Join),
            self::at($must, 'shrink-2to1-19', Task::SlideOn),
        );
    }

    public function test_changing_a_diameter_reorders_the_traveller(): void
    {
        $bench = Bench::of(Bench::request('W-1', 'coax-50-lowloss', ['radio'], ['n-plug-radio'], ['n-plug-radio']));
        $tight = self::traveller($bench->withCatalogueEdited(['parts.shrink-3to1-24.grips' => ['8 mm', '20.9 mm']]));
        self::assertLessThan(
            self::at($tight, 'ferrule-coax-lowloss', Task::Join),
            self::at($tight, 'shrink-3to1-24', Task::SlideOn),
            'now it does not clear the plug',
        );
        $wide = self::traveller(
            $bench->withCatalogueEdited([
                'parts.shrink-3to1-24.grips' => ['8 mm', '20.9 mm'],
                'connectors.n-plug.outline.width' => '20 mm',
                'connectors.n-plug.outline.height' => '20 mm',
            ]),
        );
        self::assertSame(-1, self::at($wide, 'shrink-3to1-24', Task::SlideOn), 'it clears a slimmer plug');
    }

    /** What sits behind goes on first, unless it gets past. */
    public function test_a_wide_part_need_not_go_on_before_the_narrow_one_in_front(): void
    {
        $before = self::traveller(Bench::microphone());
        $nut = array_values($before->operations)[self::at($before, 'nut-3pole', Task::SlideOn)];
        self::assertStringContainsString(
            'does not get past',
            implode(' ', array_map(static fn ($need): string => $need->why, $nut->needs)),
        );
        $free = self::traveller(
            Bench::microphone()->withCatalogueEdited(['parts.boot-3pole-black.grips' => ['2.5 mm', '18.5 mm']]),
        );
        $nut = array_values($free->operations)[self::at($free, 'nut-3pole', Task::SlideOn)];
        self::assertStringNotContainsString(
            'Boot',
            implode(' ', array_map(static fn ($need): string => $need->why, $nut->needs)),
        );
    }

    public function test_a_label_that_is_a_sleeve_is_on_before_the_connector(): void
    {
        $bench = Bench::microphone();
        $sleeved = self::traveller($bench->with(rules: $bench->installation->rules()->with(LabelMaterial::Sleeve)));
        $steps = self::steps($sleeved);
        self::assertSame('slide-on label-shrink-4-8', $steps[0], 'behind the boot');
        self::assertSame('shrink label-shrink-4-8', $steps[count($steps) - 1]);
        self::assertNotContains('slide-on label-wrap-s', self::steps(self::traveller($bench)), 'a wrap can wait');
    }

    public function test_a_sleeve_that_clears_the_finished_connector_can_wait_like_a_wrap(): void
    {
        $bench = Bench::microphone();
        $wide = $bench->with(rules: $bench->installation->rules()->with(LabelMaterial::Sleeve))->withCatalogueEdited([
            'parts.label-shrink-4-8.grips' => ['2.4 mm', '40 mm'],
            // The next size would lie tighter.
            'parts.label-shrink-6-4.grips' => ['30 mm', '39 mm'],
            'parts.label-shrink-9-5.grips' => ['30 mm', '39 mm'],
        ]);
        $steps = self::steps(self::traveller($wide));
        self::assertNotContains('slide-on label-shrink-4-8', $steps);
        self::assertSame('shrink label-shrink-4-8', $steps[count($steps) - 1]);
    }

    public function test_the_sleeve_of_a_loom_is_on_before_the_second_end(): void
    {
        $bench = Bench::microphone();
        $sleeve = $bench->installation->catalogue->parts()['sleeve-6'];
        $traveller = self::traveller($bench, ['A-1' => [new LoomSleeve('L', 'w', 'Trunk', $sleeve)]]);
        $cover = self::at($traveller, 'sleeve-6', Task::Cover);
        $joins = array_keys(
            array_filter(
                array_values($traveller->operations),
                static fn (Operation $operation): bool => $operation->task === Task::Join,
            ),
        );
        self::assertGreaterThan($joins[2], $cover, 'the first end is made');
        self::assertLessThan($joins[3], $cover, 'the second is not');
        $needs = static fn (Traveller $of): int => count(
            array_filter(
                $of->operations,
                static fn (Operation $operation): bool => array_filter(
                    $operation->needs,
                    static fn ($need): bool => str_contains($need->before, '|thread|'),
                ) !== [],
            ),
        );
        self::assertSame(3, $needs($traveller), 'the joints of the second end wait for it');
        $wide = self::traveller($bench, [
            'A-1' => [new LoomSleeve('L', 'w', 'Trunk', $bench->installation->catalogue->parts()['sleeve-20'])],
        ]);
        self::assertSame(0, $needs($wide), 'a sleeve of 30 mm goes over either plug and nothing waits for it');
    }

    public function test_the_breakout_boot_is_on_before_anything_on_the_tails(): void
    {
        $steps = self::steps(self::traveller(Bench::stageBox()));
        self::assertSame(['slide-on breakout-24', 'strip ', 'slide-on boot-3pole-black'], array_slice($steps, 0, 3));
        self::assertNotContains(
            'slide-on breakout-24',
            self::steps(self::traveller(Bench::stageBox()), Side::B),
            'all tails go into one hood there',
        );
    }

    public function test_a_batch_takes_each_tool_up_once(): void
    {
        $bench = Bench::of(
            ...array_map(
                static fn (int $n) => Bench::request(
                    'A-'.$n,
                    'pair-foil',
                    ['analogue'],
                    ['xlr3-female-cable-balanced'],
                    ['xlr3-male-cable-balanced'],
                ),
                range(1, 6),
            ),
        );
        $batch = self::traveller($bench);
        $one = self::traveller(Bench::microphone());
        self::assertCount(6 * count($one->operations), $batch->operations);
        self::assertSame(count($one->steps), count($batch->steps), 'six pieces to a step');
        self::assertSame(self::toolChanges($one), self::toolChanges($batch));
        self::assertLessThan(6 * self::toolChanges($one), self::toolChanges($batch));
    }

    public function test_the_second_end_is_made_as_the_house_has_it(): void
    {
        $sides = static function (SecondEnd $rule): string {
            $bench = Bench::microphone();
            $traveller = self::traveller($bench->with(rules: $bench->installation->rules()->with($rule)));

            return implode(
                '',
                array_map(
                    static fn (Operation $operation): string => ($operation->task->isPreparation() ? 'p' : 'j').
                        ($operation->side->value ?? ''),
                    array_filter(
                        $traveller->operations,
                        static fn (Operation $operation): bool => $operation->side !== null &&
                            $operation->task !== Task::Label,
                    ),
                ),
            );
        };
        self::assertMatchesRegularExpression('~^((p|j)A)+((p|j)B)+$~', $sides(SecondEnd::Whole));
        self::assertMatchesRegularExpression('~^(p[AB])+(jA)+(jB)+$~', $sides(SecondEnd::Together));
    }

    /** Tinned ends cool a minute or two: with other work at hand, that is done meanwhile. */
    public function test_what_cools_is_left_alone(): void
    {
        $bench = Bench::stageBox();
        $traveller = self::traveller($bench->with(rules: $bench->installation->rules()->with(SecondEnd::Together)));
        $clock = 0.0;
        $ready = [];
        $waited = 0.0;
        foreach ($traveller->operations as $operation) {
            $from = max([0.0, ...array_map(static fn ($need): float => $ready[$need->before], $operation->needs)]);
            $waited += max(0.0, $from - $clock);
            $clock = max($clock, $from) + $operation->pace->minutes() * $operation->amount;
            $ready[$operation->id] = $clock + $operation->wait / 60;
        }
        self::assertLessThan(
            0.2,
            $waited,
            'two dozen tails are tinned one after the other: the first has cooled when the last is done',
        );
    }

    public function test_mains_is_for_the_licensed_and_its_wires_are_ferruled(): void
    {
        $bench = Bench::of(
            Bench::request('P-1', 'composite', ['mains'], ['power-in-cable-mains'], ['power-out-cable-mains']),
        );
        $traveller = self::traveller($bench);
        foreach ($traveller->operations as $operation) {
            if ($operation->fitting !== '') {
                self::assertSame(Skill::Mains, $operation->skill, $operation->id);
            }
        }
        $count = static fn (Traveller $of, Task $task): int => count(
            array_filter($of->operations, static fn (Operation $operation): bool => $operation->task === $task),
        );
        self::assertSame(6, $count($traveller, Task::Crimp));
        $tinned = self::traveller($bench->with(rules: $bench->installation->rules()->with(MainsEnds::Tinned)));
        self::assertSame([0, 2], [$count($tinned, Task::Crimp), $count($tinned, Task::Tin)]);
        $bare = self::traveller($bench->with(rules: $bench->installation->rules()->with(MainsEnds::Bare)));
        self::assertSame([0, 0], [$count($bare, Task::Crimp), $count($bare, Task::Tin)]);
    }

    /** 24 channels × 3 are 72 contacts; all are crimped before any is inserted. */
    public function test_seventy_two_contacts(): void
    {
        $bench = Bench::stageBox();
        $traveller = self::traveller($bench);
        $steps = array_values(
            array_filter(
                $traveller->steps,
                static fn (Step $step): bool => $step->first()->side === Side::B &&
                    in_array($step->first()->task, [Task::Crimp, Task::Join], true),
            ),
        );
        self::assertSame(
            [[Task::Crimp, 72], [Task::Join, 72]],
            array_map(static fn (Step $step): array => [$step->first()->task, $step->count()], $steps),
        );
        $soldered = self::traveller($bench->with(rules: $bench->installation->rules()->with(ContactsMade::SolderAll)));
        self::assertNotContains('crimp contact-rect-male-fine', self::steps($soldered, Side::B));
        self::assertContains('tin ', self::steps($soldered, Side::B));
    }

    public function test_a_run_made_in_place_is_labelled_before_it_is_pulled_and_pulled_before_its_ends(): void
    {
        $bench = Bench::category();
        $run = $bench->installation->runs()['C-1'];
        $site = $bench->withRun(new Run(...['build' => Build::Site] + get_object_vars($run)));
        $tasks = array_map(
            static fn (Step $step): string => $step->first()->task->value,
            self::traveller($site)->steps,
        );
        self::assertSame(['cut', 'mark', 'label', 'label', 'pull', 'slide-on'], array_slice($tasks, 0, 6));
    }

    /** Common practice, trade figures: minutes for whole ends. */
    public function test_standard_times_add_up_to_what_is_usual(): void
    {
        $end = static function (Bench $bench): float {
            $minutes = 0.0;
            foreach (self::traveller($bench)->steps as $step) {
                $minutes += $step->first()->side === Side::A ? $step->minutes() : 0.0;
            }

            return $minutes;
        };
        self::assertEqualsWithDelta(13.5, 2 * $end(Bench::microphone()), 1.5, 'a 3-pole cable, both ends');
        self::assertEqualsWithDelta(5.0, $end(Bench::category()), 1.0, 'a category plug');
        self::assertEqualsWithDelta(
            6.5,
            $end(Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-jack-t568b'], []))),
            1.5,
            'a jack',
        );
        self::assertEqualsWithDelta(4.0, $end(Bench::coax()), 1.2, 'a BNC');
        $contact = 60 * (Pace::Crimp->minutes() + Pace::JoinCrimp->minutes());
        self::assertTrue($contact >= 25 && $contact <= 40, 'a crimp contact, s');
    }

    public function test_where_the_house_cuts_long_each_end_is_trimmed_at_its_connector(): void
    {
        $bench = Bench::microphone();
        $trims = static fn (Bench $of): array => array_values(
            array_filter(
                array_keys(self::traveller($of)->operations),
                static fn (string $id): bool => str_ends_with($id, '|trim'),
            ),
        );
        self::assertSame([], $trims($bench));
        $long = $bench->with(rules: $bench->installation->rules()->with(LengthPractice::CutLong));
        self::assertSame(['A-1|A|trim', 'A-1|B|trim'], $trims($long));
        $operations = array_keys(self::traveller($long)->operations);
        self::assertLessThan(
            array_search(
                'A-1|A|'.$bench->installation->runs()['A-1']->a->legs[0]->id.'|make|sheath-off',
                $operations,
                true,
            ),
            array_search('A-1|A|trim', $operations, true),
        );
    }

    /** The demo's split panel: a jumper from each input to its direct output, made before the connectors are tugged. */
    public function test_jumpers_on_a_panel_are_joined_too(): void
    {
        $file = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $in = $file->installation;
        $in = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        $plan = (new Planner())->plan($in);
        $operations = Traveller::order(
            (new OperationPlanner($in))->of($plan->assemblies[$plan->assemblyOf['M-203']], $plan->runs),
            $in->rules(),
        )->operations;
        $jumpers = array_filter(
            $operations,
            static fn (Operation $operation): bool => $operation->step->kind === StepKind::Link,
        );
        self::assertCount(
            count(array_filter($in->links(), static fn ($link): bool => str_starts_with($link->from, 'M-203.'))),
            $jumpers,
        );
        $order = array_flip(array_keys($operations));
        foreach ($jumpers as $id => $jumper) {
            self::assertLessThan($order[$jumper->fitting.'|tug'], $order[$id]);
            self::assertSame(Skill::Solder, $jumper->skill);
        }
    }

    /** All of a panel's connectors are fixed before a cup is filled, jumpers before tails, the middle rows first. */
    public function test_a_panel_is_wired_as_one_piece_of_work(): void
    {
        // Laid into one column, so that its connectors are in unlike rows.
        $places = ['2-1' => 'M-204.a1', '1-1' => 'M-204.a2', '3-1' => 'M-204.a3', '4-1' => 'M-204.a4'];
        $file = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($file);
        $file['panels'][0]['places'] = $places;
        $in = InstallationFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->installation;
        $in = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        $plan = (new Planner())->plan($in);
        $assembly = $plan->assemblies[$plan->assemblyOf['M-204']];
        $all = Traveller::order((new OperationPlanner($in))->of($assembly, $plan->runs), $in->rules())->operations;
        $place = array_flip(array_keys($all));
        $last = static fn (callable $of): int => max(array_intersect_key($place, array_filter($all, $of)));
        $first = static fn (callable $of): int => min(array_intersect_key($place, array_filter($all, $of)));
        $inIt = static fn (Operation $of): bool => in_array($of->fitting, $places, true);
        $isFix = static fn (Operation $of): bool => $inIt($of) && $of->step->kind === StepKind::Close;
        $isJoint = static fn (Operation $of): bool => $inIt($of) && $of->phase === Phase::Join &&
            $of->task === Task::Join;
        $isFill = static fn (Operation $of): bool => $inIt($of) && $of->pace === Pace::Fill;
        self::assertLessThan($first($isFill), $last($isFix));
        self::assertLessThan($first($isJoint), $last(
            static fn (Operation $of): bool => $inIt($of) && $of->step->kind === StepKind::Link,
        ));
        $joined = array_values(array_unique(array_map(
            static fn (Operation $of): string => $of->fitting,
            array_filter($all, $isJoint),
        )));
        self::assertSame(['M-204.a1', 'M-204.a3', 'M-204.a2', 'M-204.a4'], $joined, 'rows 2 and 3, then 1 and 4');
        // Fixed is not finished: what waited for that waits for the look.
        $test = array_values(array_filter($all, static fn (Operation $of): bool => $of->task === Task::Test))[0];
        foreach ($places as $fitting) {
            self::assertContains(
                $fitting.'|inspect',
                array_map(static fn (Prerequisite $need): string => $need->before, $test->needs),
            );
        }
        $needs = array_map(
            static fn (Prerequisite $need): string => $need->before,
            array_merge(...array_map(
                static fn (Operation $of): array => $of->needs,
                array_values(array_filter($all, $isJoint)),
            )),
        );
        self::assertSame([], array_diff(
            array_map(static fn (string $fitting): string => $fitting.'|close', $places),
            $needs,
        ));
    }

    /** @return array{Installation, array<int|string, Operation>} of the demo's split, with these places taken */
    private static function split(string $run, string ...$places): array
    {
        $file = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($file);
        $file['panels'][0]['places'] = $places === [] ? $file['panels'][0]['places'] : $places;
        $in = InstallationFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->installation;
        $in = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        $plan = (new Planner())->plan($in);
        $all = (new OperationPlanner($in))->of($plan->assemblies[$plan->assemblyOf[$run]], $plan->runs);

        return [$in, Traveller::order($all, $in->rules())->operations];
    }

    private static function done(Operation $operation, int $second, EventKind $kind = EventKind::ContactJoined): Event
    {
        $at = sprintf('2026-03-01T08:00:%02d.000000Z', $second);

        return new Event(
            id: sprintf('00000000-0000-4000-8000-%012d', $second),
            kind: $kind,
            run: $operation->run,
            side: $operation->side,
            by: 'tove',
            at: $at,
            received: $at,
            fingerprint: OperationFacts::fingerprint($operation),
            step: $operation->id,
        );
    }

    /** Connectors that take a jumper and no cable are fixed as well; who jumpered one has fixed it. */
    public function test_a_connector_that_only_takes_a_jumper_is_fixed_before(): void
    {
        [$in, $all] = self::split('M-203');
        $order = array_flip(array_map(strval(...), array_keys($all)));
        $outs = array_filter(
            array_map(strval(...), array_keys($in->fittings())),
            static fn (string $id): bool => str_starts_with($id, 'split-out-') && isset($all[$id.'|close']),
        );
        self::assertGreaterThan(7, count($outs));
        foreach ($all as $id => $operation) {
            if ($operation->step->kind === StepKind::Link || $operation->pace === Pace::Fill) {
                foreach ($outs as $out) {
                    $isAt = $operation->step->kind !== StepKind::Link || str_contains((string) $id, $out.'/');
                    self::assertTrue(! $isAt || $order[$out.'|close'] < $order[(string) $id], $out.' before '.$id);
                }
            }
        }
        $jumper = array_values(array_filter(
            $all,
            static fn (Operation $of): bool => $of->step->kind === StepKind::Link &&
                str_contains($of->id, 'split-out-1/'),
        ))[0];
        $done = new Progress($all, [self::done($jumper, 1)]);
        self::assertSame(Status::Done, $done->of('split-out-1|close')->status, 'a panel that is wired is not opened');
        self::assertSame(Status::ToDo, $done->of('split-out-2|close')->status);
        $back = new Progress($all, [self::done($jumper, 1), self::done($jumper, 2, EventKind::TakenBack)]);
        self::assertSame(Status::ToDo, $back->of('split-out-1|close')->status);
    }

    /** Of several trunks each is taped level before its tails are joined; of one alone there is nothing to be level. */
    public function test_trunks_of_a_panel_are_taped_level(): void
    {
        $isLevel = static fn (Operation $of): bool => $of->step->kind === StepKind::Level;
        $places = [];
        foreach (range(1, 4) as $n) {
            $places['2-'.$n] = 'M-204.a'.$n;
        }
        [, $alone] = self::split('M-204', ...$places);
        foreach (range(1, 4) as $n) {
            $places['1-'.$n] = 'M-203.a'.$n;
        }
        [, $all] = self::split('M-204', ...$places);
        self::assertSame([], array_filter($alone, $isLevel));
        $level = array_values(array_filter($all, $isLevel));
        self::assertCount(1, $level, 'M-203 is another job, and has one of its own');
        $order = array_flip(array_map(strval(...), array_keys($all)));
        $joins = array_filter($all, static fn (Operation $of): bool => $of->task === Task::Join &&
            $of->run === 'M-204' && in_array($of->fitting, $places, true) && $of->step->kind === StepKind::Join);
        self::assertGreaterThan(8, count($joins));
        foreach ($joins as $join) {
            self::assertLessThan($order[$join->id], $order[$level[0]->id]);
        }
        $done = new Progress($all, [self::done(array_values($joins)[0], 1)]);
        self::assertSame(Status::Done, $done->of($level[0]->id)->status, 'a tail that is joined was level');
    }

    /** Each tail to the bar nearest its row, between the joints and the look; who looked a panel over had laced it. */
    public function test_tails_are_laced_to_the_bars_nearest_their_rows(): void
    {
        $places = ['1-1' => 'M-203.a1', '2-2' => 'M-203.a2', '3-3' => 'M-203.a3', '4-4' => 'M-203.a4'];
        [, $all] = self::split('M-203', ...$places);
        $isLace = static fn (Operation $of): bool => $of->step->kind === StepKind::Lace;
        $lace = array_values(array_filter($all, $isLace));
        self::assertCount(1, $lace);
        // Rows at 26, 62, 98 and 134 mm; bars at 62 and 134 mm: of two as near, the first.
        self::assertSame('Rows 1, 2, 3 to bar 1 of 2; row 4 to bar 2 of 2, from the top.', $lace[0]->detail);
        self::assertSame(4.0, $lace[0]->amount);
        $order = array_flip(array_map(strval(...), array_keys($all)));
        $looks = [];
        foreach ($all as $id => $of) {
            $isMade = in_array($of->step->kind, [StepKind::Join, StepKind::Tug], true);
            if ($isMade && in_array($of->fitting, $places, true)) {
                self::assertLessThan($order[$lace[0]->id], $order[(string) $id], (string) $id);
            }
            if (in_array($of->fitting, $places, true) && $of->step->kind === StepKind::Inspect) {
                self::assertGreaterThan($order[$lace[0]->id], $order[(string) $id], (string) $id);
                $looks[] = $of;
            }
        }
        self::assertCount(4, $looks);
        $done = new Progress($all, [self::done($looks[2], 1, EventKind::Inspected)]);
        self::assertSame(Status::Done, $done->of($lace[0]->id)->status, 'a panel that was looked over is not opened');
        $join = array_values(array_filter($all, static fn (Operation $of): bool => $of->fitting === 'M-203.a1' &&
            $of->step->kind === StepKind::Join))[0];
        self::assertSame(Status::ToDo, (new Progress($all, [self::done($join, 1)]))->of($lace[0]->id)->status);

    }

    /** Runs that share a connector are looked over together: none of them is before it is. */
    public function test_what_is_done_at_a_shared_connector_counts_for_all_its_runs(): void
    {
        $file = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $in = $file->installation;
        $in = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        $plan = (new Planner())->plan($in);
        $assembly = $plan->assemblies[$plan->assemblyOf['A-133']];
        self::assertGreaterThan(1, count($assembly->runs));
        $shared = array_filter(
            (new OperationPlanner($in))->of($assembly, $plan->runs),
            static fn (Operation $operation): bool => $operation->task === Task::Inspect && $operation->with !== [],
        );
        self::assertNotSame([], $shared);
        foreach ($shared as $operation) {
            foreach ($operation->with as $run) {
                self::assertArrayHasKey('inspected|'.$run.'|', Milestone::countedBy($operation));
                self::assertArrayHasKey(
                    'joined|'.$run.'|'.$operation->side?->value,
                    Milestone::countedBy($operation),
                );
            }
        }
    }

    public function test_a_splice_is_joined_as_one(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $spliced = $bench->with(splices: ['s1'])->withRun(
            new Run(
                ...[
                    'a' => new End(
                        ...[
                            'handJoints' => [
                                new HandJoint(
                                    $bench->plan()->runs['A-1']->end(Side::A)->joints[0]->conductor,
                                    'splice:s1',
                                    'spliced to the old cable',
                                ),
                            ],
                        ] + get_object_vars($run->a),
                    ),
                ] + get_object_vars($run),
            ),
        );
        $joins = array_values(
            array_filter(
                self::traveller($spliced)->operations,
                static fn (Operation $operation): bool => $operation->task === Task::Join &&
                    $operation->side === Side::A,
            ),
        );
        self::assertContains(
            'Splice it and insulate the splice',
            array_map(static fn (Operation $operation): string => $operation->words, $joins),
        );
    }

    public function test_a_circle_is_said_so(): void
    {
        $operation = static fn (string $id, string $needs): Operation => (new Operation(
            StepId::ofRun($id, StepKind::Trim),
            Task::Strip,
            'r',
            Side::A,
            '',
            '',
            Pace::Strip,
            Phase::Discard,
        ))->needing([new Prerequisite($needs, 'because')]);
        $this->expectException(\LogicException::class);
        (new Sequencer(SecondEnd::Whole))->order([$operation('a', 'b|trim'), $operation('b', 'a|trim')]);
    }

    public function test_what_an_operation_says_is_what_its_fingerprint_is_of(): void
    {
        $plain = self::traveller(Bench::microphone());
        $at = array_search(
            'sheath-off',
            array_column(Procedures::json('cup-3-pole')['steps'], 'id'),
            true,
        );
        $moved = self::traveller(Bench::microphone()->withCatalogueEdited([
            'procedures.cup-3-pole.steps.'.$at.'.measure.length' => '19.5 mm',
            'procedures.cup-3-pole.steps.'.($at + 3).'.measure.length' => '19.5 mm',
        ]));
        $strip = 'A-1|A|'.Bench::microphone()->installation->runs()['A-1']->a->legs[0]->id.'|make|sheath-off';
        self::assertNotSame(
            OperationFacts::fingerprint($plain->operations[$strip]),
            OperationFacts::fingerprint($moved->operations[$strip]),
        );
        $join = array_key_first(
            array_filter($plain->operations, static fn (Operation $operation): bool => $operation->task === Task::Join),
        );
        self::assertSame(
            OperationFacts::fingerprint($plain->operations[$join]),
            OperationFacts::fingerprint($moved->operations[$join]),
        );
    }
}
