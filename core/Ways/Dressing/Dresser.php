<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Ends\Preparing\ShrinkChoice;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Ways\Looming\LoomShape;
use Sartal\Core\Ways\Looming\Packing\Packing;
use Sartal\Core\Ways\Looming\Packing\PackingStore;
use Sartal\Core\Ways\Looming\Segment;
use Sartal\Core\Ways\Routing\BendRule;
use Sartal\Core\Ways\Routing\Filling;

/**
 * Makes up the segments of looms: bundle, sleeve, shrink, ties. Apart from
 * the plan of the installation, because packing takes long and only looms,
 * parts and the bench ask for it.
 */
final class Dresser
{
    /** Of a sleeve, both sides together, mm: common practice. */
    private const SLEEVE_WALLS = 1.0;

    /** Shrink over the end of a sleeve: at least, mm, and by the bundle's diameter. */
    private const SHRINK_LEAST = 25;

    private const SHRINK_DIAMETERS = 2;

    private readonly Bundles $bundles;

    /** @var list<Finding> */
    private array $findings = [];

    public function __construct(private readonly Installation $installation, PackingStore $store)
    {
        $this->bundles = new Bundles($store);
    }

    public function dress(LoomShape $shape): LoomDress
    {
        $this->findings = [];
        $segments = [];
        foreach ($shape->segments as $segment) {
            $segments[] = $this->segment($segment, $shape);
        }

        return new LoomDress($shape, $segments, Lanes::lay($shape->segments), [
            ...$shape->findings,
            ...$this->findings,
        ]);
    }

    private function segment(Segment $segment, LoomShape $shape): SegmentDress
    {
        $runs = $cables = [];
        foreach ($segment->members as $run) {
            $cable = $this->installation->catalogue->cable($this->installation->theRun($run)->cable);
            if ($cable !== null) {
                $runs[] = $run;
                $cables[] = $cable;
            }
        }
        $packing = $this->bundles->of($cables);
        $thick = Length::millimetres($packing->diameter);
        $bundled = count($cables) > 1 && ! $segment->length()->isZero();
        $this->passes($segment, $shape, $thick, count($cables));
        $tie = $bundled ? TieChoice::among($this->installation->catalogue->parts(), $thick) : null;
        if ($bundled && $tie === null) {
            $this->findings[] = Finding::check(
                'loom.no-tie',
                Subject::loom($shape->loom->id),
                sprintf(
                    '%s is %s thick in %s, and no tie reaches round it.',
                    $shape->loom->name,
                    $this->text($packing),
                    $segment->way->name,
                ),
                'Add a longer tie to the parts, or divide the loom.',
            );
        }
        $sleeve =
            $bundled && $shape->loom->covering === Covering::Sleeve ? $this->sleeve($segment, $shape, $thick) : null;

        return new SegmentDress(
            $segment,
            $runs,
            $cables,
            $packing,
            self::diameter($cables, $packing),
            BendRule::among($cables),
            self::mass($cables, $segment),
            $sleeve,
            $sleeve === null ? [] : $this->shrinks($segment, $shape, $thick),
            $tie,
            $tie === null ? [] : TieChoice::points($segment->length(), $shape->loom->tieEvery),
        );
    }

    private function passes(Segment $segment, LoomShape $shape, Length $thick, int $count): void
    {
        $inner = $segment->way->inner;
        if (
            $inner !== null &&
            $count > 1 &&
            ! $inner->passes($thick, $thick) &&
            ! ($inner->isRound() && $thick->compare($inner->width) <= 0)
        ) {
            $this->findings[] = Finding::stop(
                'loom.does-not-pass',
                Subject::loom($shape->loom->id),
                sprintf(
                    '%s is %s thick in %s, which is %s inside.',
                    $shape->loom->name,
                    Figure::amount($thick->inMillimetres(), 'mm'),
                    $segment->way->name,
                    $inner->text(),
                ),
                'Lay its cables loose there, divide the loom, or take a larger way.',
            );
        }
    }

    private function sleeve(Segment $segment, LoomShape $shape, Length $thick): ?SleevePiece
    {
        $part = SleeveChoice::among($this->installation->catalogue->parts(), $thick);
        if ($part === null) {
            [$least, $most] = [INF, 0.0];
            foreach ($this->installation->catalogue->parts() as $each) {
                if ($each->kind === PartKind::Sleeve && $each->grips !== null) {
                    $least = min($least, $each->grips->least->inMillimetres());
                    $most = max($most, $each->grips->most->inMillimetres());
                }
            }
            $this->findings[] = Finding::check(
                'loom.no-sleeve',
                Subject::loom($shape->loom->id),
                sprintf(
                    '%s is %s thick in %s, and no sleeve has that size: %s.',
                    $shape->loom->name,
                    Figure::amount($thick->inMillimetres(), 'mm'),
                    $segment->way->name,
                    $most === 0.0
                        ? 'there is none'
                        : sprintf('they go from %s to %s', Figure::amount($least, 'mm'), Figure::amount($most, 'mm')),
                ),
                'Tie it there, divide the loom, or add a sleeve of that size to the parts.',
            );

            return null;
        }

        return new SleevePiece($part, SleeveChoice::cut($segment->length()), 'over '.$segment->way->name);
    }

    /** @return list<SleevePiece> one over each end of the sleeve */
    private function shrinks(Segment $segment, LoomShape $shape, Length $thick): array
    {
        $seals = $segment->way->is(Environment::Damp) || $segment->way->is(Environment::Outdoor);
        $over = $thick->plus(Length::millimetres(self::SLEEVE_WALLS));
        $part = ShrinkChoice::among($this->installation->catalogue->parts(), $over, $thick, $seals);
        if ($part === null) {
            $this->findings[] = Finding::check(
                'loom.no-shrink',
                Subject::loom($shape->loom->id),
                sprintf(
                    'No heat-shrink%s goes over %s and grips %s, at the ends of the sleeve of %s in %s.',
                    $seals ? ' that seals' : '',
                    Figure::amount($over->inMillimetres(), 'mm'),
                    Figure::amount($thick->inMillimetres(), 'mm'),
                    $shape->loom->name,
                    $segment->way->name,
                ),
                'Bind the ends with tape, or add a size to the parts.',
            );

            return [];
        }
        $by = $thick->times(self::SHRINK_DIAMETERS);
        $least = Length::millimetres(self::SHRINK_LEAST);
        $cut = Worked::roundedUp(
            [
                new Term(
                    'length',
                    $by->compare($least) >= 0 ? 'two diameters of the bundle' : 'at least',
                    $by->compare($least) >= 0 ? $by : $least,
                    'common practice',
                ),
            ],
            Length::millimetres(5),
        );

        return [
            new SleevePiece($part, $cut, 'near end of the sleeve in '.$segment->way->name),
            new SleevePiece($part, $cut, 'far end of the sleeve in '.$segment->way->name),
        ];
    }

    private function text(Packing $packing): string
    {
        return Figure::amount($packing->diameter, 'mm');
    }

    /** @param  list<CableType>  $cables */
    private static function diameter(array $cables, Packing $packing): Figure
    {
        $terms = [];
        foreach (
            array_count_values(array_map(static fn (CableType $cable): string => $cable->id, $cables)) as $id => $count
        ) {
            foreach ($cables as $cable) {
                if ($cable->id === (string) $id) {
                    $terms[] = new FigureTerm(
                        $cable->name,
                        sprintf('%d × ⌀ %s', $count, $cable->outerDiameter->canonical()),
                        '',
                        'stated by the cable type',
                    );

                    break;
                }
            }
        }
        $inside = (M_PI / 4) * $packing->diameter ** 2;
        $terms[] = new FigureTerm(
            'smallest circle round them',
            sprintf(
                '%d circles packed, %s %% of it filled',
                count($cables),
                $inside > 0 ? number_format((100 * Filling::area($cables)) / $inside, 0) : '0',
            ),
            Figure::amount($packing->diameter, 'mm', 2),
            'packed without overlap; within 3 % of the published packings',
        );

        return new Figure($packing->diameter, 'mm', $terms);
    }

    /** @param  list<CableType>  $cables */
    private static function mass(array $cables, Segment $segment): Figure
    {
        $each = Filling::mass($cables);

        return new Figure(
            $each->value * $segment->length()->inMetres(),
            'kg',
            [
                ...$each->terms,
                new FigureTerm(
                    'segment',
                    Figure::amount($segment->length()->inMetres(), 'm', 2).' × '.$each->text(),
                    Figure::amount($each->value * $segment->length()->inMetres(), 'kg', 2),
                    'length of the segment',
                ),
            ],
            2,
        );
    }
}
