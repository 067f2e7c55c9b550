<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Ends\Labelling\LabelTexts;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Ends\Preparing\Wrapping;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LabelForm;
use Sartal\Core\Given\Schools\LabelMaterial;
use Sartal\Core\Plan\Runs\RunPlan;
use Tests\Support\Bench;

/** What labels say, what they are made of, and what is found wrong with them. */
final class LabelTest extends TestCase
{
    private static function said(Bench $bench, LabelScheme $scheme): array
    {
        $plan = $bench->with(rules: $bench->installation->rules()->withLabels($scheme))->plan();

        return array_map(
            static fn (Label $label): array => [$label->code, $label->line],
            $plan->runs[array_key_first($plan->runs->all())]->labels,
        );
    }

    public function test_tokens(): void
    {
        $bench = Bench::stageBox();
        $usual = self::said($bench, new LabelScheme());
        self::assertSame(['M-1', 'A to There'], $usual[0]);
        self::assertSame(['1', 'M-1 A'], $usual[1]);
        self::assertSame(['M-1', 'B to Here'], $usual[25]);
        $own = self::said(
            $bench,
            new LabelScheme('{run}.{end}', 'from {here} {loom}', '{run}-{leg}', 'ch {channel}', 20),
        );
        self::assertSame(['M-1.A', 'from Here'], $own[0], 'a run without a loom leaves no gap');
        self::assertSame(['M-1-7', 'ch 1'], $own[7]);
    }

    public function test_a_token_that_stands_for_nothing_is_named(): void
    {
        self::assertSame(['colour', 'of'], (new LabelScheme('{run} {colour}', '{of}'))->unknown());
        self::assertSame([], (new LabelScheme())->unknown());
    }

    public function test_labels_that_say_the_same_and_labels_that_are_too_long(): void
    {
        $bench = Bench::microphone();
        $found = static fn (LabelScheme $scheme): array => array_values(
            array_filter(
                array_map(
                    static fn (Finding $finding): string => $finding->code,
                    $bench->with(rules: $bench->installation->rules()->withLabels($scheme))->plan()->findings(),
                ),
                static fn (string $code): bool => in_array($code, ['label.same', 'label.long'], true),
            ),
        );
        self::assertSame([], $found(new LabelScheme()));
        self::assertSame(['label.same'], $found(new LabelScheme('{run}', '')), 'both ends read the same');
        self::assertSame(['label.long'], $found(new LabelScheme('{run} to {far}', '{end}', limit: 6)));
    }

    /**
     * By hand: 12.7 mm of print and one turn round 6 mm, π × 6 = 18.850 mm, are 31.55 mm of 38; round 8.1 mm they are
     * 38.147 mm, and do not fit.
     */
    public function test_a_wrap_has_room_for_its_print_and_one_more_turn(): void
    {
        $face = ShippedCatalogue::load()->parts()['label-wrap-s']->face;
        self::assertNotNull($face);
        self::assertEqualsWithDelta(
            31.55,
            Wrapping::needed($face, Length::millimetres(6))->result->inMillimetres(),
            0.001,
        );
        self::assertTrue(Wrapping::fits($face, Length::millimetres(8)));
        self::assertFalse(Wrapping::fits($face, Length::millimetres(8.1)));
        self::assertEqualsWithDelta(25.3, $face->tail()->inMillimetres(), 1e-6);
    }

    public function test_every_wrap_of_the_catalogue_fits_what_it_says_it_goes_round(): void
    {
        foreach (ShippedCatalogue::load()->parts() as $part) {
            if ($part->face?->form === LabelForm::Wrap) {
                self::assertTrue(Wrapping::fits($part->face, $part->grips->most ?? Length::zero()), $part->id);
            }
        }
    }

    public function test_the_house_chooses_the_kind_where_one_fits(): void
    {
        $bench = Bench::microphone();
        $over = static fn (LabelMaterial $kind, float $mm): ?string => (new LabelParts(
            $bench->installation->catalogue,
            $bench->installation->rules()->with($kind),
        ))->over(Length::millimetres($mm), 'standard')?->id;
        self::assertSame(
            ['label-wrap-s', 'label-flag', 'label-shrink-4-8', 'label-tag'],
            array_map(static fn (LabelMaterial $kind): ?string => $over($kind, 4.0), [
                LabelMaterial::Wrap,
                LabelMaterial::Flag,
                LabelMaterial::Sleeve,
                LabelMaterial::Tag,
            ]),
        );
        self::assertSame('label-wrap-l', $over(LabelMaterial::Flag, 15.0), 'too thick for a flag');
        self::assertSame('label-tag', $over(LabelMaterial::Wrap, 30.0));
    }

    public function test_what_labels_are_compared_by_is_what_is_written_on_them(): void
    {
        $json = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        foreach ([InstallationFile::parse($json)->installation, Bench::stageBox()->installation] as $in) {
            foreach ($in->runs() as $run) {
                self::assertSame(
                    array_map(static fn (Label $label): string => $label->code, LabelTexts::write($run, $in)),
                    LabelTexts::codes($run, $in),
                );
            }
        }
    }

    public function test_every_end_and_every_tail_has_a_label_of_its_own_with_the_colour_of_its_block(): void
    {
        $bench = Bench::stageBox();
        $plan = $bench->plan();
        $prints = (new LabelPrints($bench->installation))->of(
            $plan->runs->map(static fn (RunPlan $run): array => $run->labels),
            $plan->rotations(),
        );
        self::assertCount(1 + 24 + 1, $prints, 'the 90-way end does not part');
        self::assertCount(26, array_unique(array_map(static fn (PrintedLabel $label): string => $label->id, $prints)));
        $colours = array_map(static fn (PrintedLabel $label): string => $label->colour, array_slice($prints, 1, 24));
        self::assertSame(
            ['brown' => 6, 'red' => 6, 'orange' => 6, 'yellow' => 6],
            array_count_values($colours),
            'as the 90-way plan has them',
        );
        self::assertSame('e/M-1/A/'.$bench->installation->runs()['M-1']->a->legs[6]->id, $prints[7]->path);
        $six = array_values(array_filter($prints, static fn (PrintedLabel $label): bool => $label->code === '6'))[0];
        self::assertSame(['9', true, 'SIX'], [$six->turned, $six->marked?->underlined, $six->marked?->word]);
    }

    /** Geometry: one turn round 10 mm is 31.416 mm, to the micrometre. */
    public function test_a_turn_is_pi_times_what_it_goes_round(): void
    {
        self::assertSame('31.416 mm', Wrapping::turn(Length::millimetres(10))->canonical());
        self::assertSame('22.305 mm', Wrapping::turn(Length::millimetres(7.1))->canonical());
    }
}
