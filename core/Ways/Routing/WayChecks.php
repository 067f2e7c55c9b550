<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;

/** A way against what lies in it. What would help is worked out, not guessed. */
final readonly class WayChecks
{
    /** Four bends of 90° between places to pull from: NEC 344.26, from memory. */
    private const MOST_BENDS = 4;

    private Passages $passages;

    /** @param  ?Relief  $relief  which says what would help; null: nobody asks */
    public function __construct(private Installation $installation, private ?Relief $relief)
    {
        $this->passages = new Passages($installation);
    }

    /**
     * How much is wrong with a way for what lies in it, whichever runs that are: what does not pass is left aside.
     *
     * @param  list<CableType>  $cables
     */
    public function wrong(Way $way, array $cables): int
    {
        $load = WayLoad::of($way, [], $cables);
        $findings = $cables === [] ? [] : [...$this->fill($load), ...$this->jam($load), ...$this->bends($load)];
        $mains = [];
        foreach ($cables as $cable) {
            $mains[$cable->id] ??= Cargo::from($cable)->mains;
        }

        return count(array_filter(
            $findings,
            static fn (Finding $finding): bool => $finding->isWrong(),
        )) + (in_array(true, $mains, true) && in_array(false, $mains, true) ? 1 : 0);
    }

    /** @return list<Finding> */
    public function of(WayLoad $load): array
    {
        return [
            ...$this->drawn($load->way),
            ...$load->cables === []
                ? []
                : [
                    ...$this->fill($load),
                    ...$this->jam($load),
                    ...$this->bends($load),
                    ...$this->besideMains($load),
                    ...$this->damp($load),
                    ...$this->passages->of($load),
                ],
        ];
    }

    /** @return list<Finding> */
    private function drawn(Way $way): array
    {
        $findings = [];
        foreach (array_unique([$way->from, $way->to]) as $end) {
            if (
                $end !== '' &&
                $this->installation->location($end) === null &&
                $this->installation->junction($end) === null
            ) {
                $findings[] = Finding::stop(
                    'way.unknown-place',
                    Subject::way($way->id),
                    sprintf('%s ends at "%s", which is unknown.', $way->name, $end),
                    'Choose a location or a junction that exists.',
                );
            }
        }
        if ($way->joins() && $way->from === $way->to) {
            $findings[] = Finding::stop(
                'way.loop',
                Subject::way($way->id),
                sprintf('%s begins and ends at %s.', $way->name, $this->installation->placeName($way->from)),
                'Let it end somewhere else.',
            );
        }
        if ($way->length->isZero()) {
            $findings[] = Finding::check(
                'way.no-length',
                Subject::way($way->id),
                sprintf('%s has no length, so it adds nothing to any cut.', $way->name),
                'Measure it, and say how long it is.',
            );
        }
        if (! $way->joins()) {
            $findings[] = Finding::note(
                'way.unplaced',
                Subject::way($way->id),
                sprintf('%s does not say from where to where it goes: no run finds it by itself.', $way->name),
                'Say where it begins and ends.',
            );
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function fill(WayLoad $load): array
    {
        if ($load->fill === null || $load->rule === null || ! $load->isOver()) {
            return [];
        }
        $words = sprintf(
            '%s is %s full with %d cables; %s is the limit (%s).',
            $load->way->name,
            $load->fill->text(),
            count($load->cables),
            $load->rule->design.' %',
            $load->rule->source,
        );
        $area = Filling::area($load->cables) / ($load->rule->design / 100);
        $size = Sizes::holding($load->way, $area);
        $remedy = implode(
            ' ',
            array_filter([
                $size === null
                    ? 'No usual size of it would do: divide it.'
                    : sprintf('Take %s instead.', $size->text()),
                $this->relief?->words($load),
            ]),
        );

        return [
            $load->fill->value > $load->rule->most
                ? Finding::stop('way.overfull', Subject::way($load->way->id), $words, $remedy)
                : Finding::check(
                    'way.full',
                    Subject::way($load->way->id),
                    $words.sprintf(' At most it may hold %s.', $load->rule->most.' %'),
                    $remedy,
                ),
        ];
    }

    /** @return list<Finding> */
    private function jam(WayLoad $load): array
    {
        return Filling::jams($load->jam) && $load->jam !== null
            ? [
                Finding::check(
                    'way.jam',
                    Subject::way($load->way->id),
                    sprintf(
                        'Three cables may jam in %s: its inner diameter is %s times theirs.',
                        $load->way->name,
                        $load->jam->text(),
                    ),
                    'Take another size of conduit, or a fourth cable. Pull them laid up together, not one by one.',
                ),
            ]
            : [];
    }

    /** @return list<Finding> */
    private function bends(WayLoad $load): array
    {
        $way = $load->way;
        $findings = [];
        if ($way->kind === WayKind::Conduit && $way->bends > self::MOST_BENDS) {
            $findings[] = Finding::check(
                'way.many-bends',
                Subject::way($way->id),
                sprintf(
                    '%s has %d bends of 90°; at most %d are pulled through in one go.',
                    $way->name,
                    $way->bends,
                    self::MOST_BENDS,
                ),
                'Set a pull box in it: as two ways with a junction between.',
            );
        }
        if ($way->bends === 0 || $way->bendRadius === null) {
            return $findings;
        }
        $tight = [];
        foreach ($load->cables as $cable) {
            $least = BendRule::for($cable);
            if ($least->radius->compare($way->bendRadius) > 0) {
                $tight[$cable->id] = sprintf(
                    '%s needs %s (%s)',
                    $cable->name,
                    $least->radius->canonical(),
                    $least->source,
                );
            }
        }
        if ($tight !== []) {
            $findings[] = Finding::stop(
                'way.bend',
                Subject::way($way->id),
                sprintf(
                    'The bends of %s have a radius of %s: %s.',
                    $way->name,
                    $way->bendRadius->canonical(),
                    implode('; ', $tight),
                ),
                'Make the bends wider, or take those cables another way.',
            );
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function besideMains(WayLoad $load): array
    {
        $mains = $signal = [];
        foreach ($load->runs as $run) {
            $cable = $this->installation->catalogue->cable($this->installation->theRun($run)->cable);
            if ($cable !== null) {
                if (Cargo::from($cable)->mains) {
                    $mains[] = $run;
                } else {
                    $signal[] = $run;
                }
            }
        }
        if ($mains === [] || $signal === []) {
            return [];
        }
        $few = count($mains) <= count($signal) ? $mains : $signal;

        return [
            Finding::check(
                'way.mains-beside-signal',
                Subject::way($load->way->id),
                sprintf(
                    'Mains lies beside signal in %s: %s beside %d signal cables.',
                    $load->way->name,
                    implode(', ', array_map($this->code(...), $mains)),
                    count($signal),
                ),
                trim(
                    $this->relief?->elsewhere($load->way, $few).
                        ' Or part them by a barrier. Local code says what keeps them apart.',
                ),
            ),
        ];
    }

    /** @return list<Finding> */
    private function damp(WayLoad $load): array
    {
        if (! $load->way->is(Environment::Damp)) {
            return [];
        }
        $soft = array_unique(
            array_map(
                static fn (CableType $cable): string => $cable->name,
                array_filter($load->cables, static fn (CableType $cable): bool => ! $cable->outdoor),
            ),
        );

        return $soft === []
            ? []
            : [
                Finding::note(
                    'way.damp',
                    Subject::way($load->way->id),
                    sprintf(
                        '%s is damp, and these are not made for outdoors: %s.',
                        $load->way->name,
                        implode(', ', $soft),
                    ),
                    'Choose a cable for outdoors where it may stand in water, and seal what is joined there.',
                ),
            ];
    }

    private function code(string $run): string
    {
        return $this->installation->theRun($run)->code;
    }
}
