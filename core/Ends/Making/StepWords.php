<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\MeasureKind;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;

/** A step as it is said to whoever does it: "Take off the sheath: mark at 20 mm, from the cut end". */
final readonly class StepWords
{
    /** What short names of parts stand for. */
    private const PARTS = [
        'edge' => 'short lined piece at the end of the sleeving',
        'neck' => 'short lined piece at the neck of the boot',
        'leg-sleeving' => 'sleeving of the leg',
    ];

    public function __construct(private CableType $cable)
    {
    }

    public function of(Doing $doing): string
    {
        $length = $this->length($doing);

        return $this->does($doing).($length === '' ? '' : ': '.$length).match (true) {
            in_array($doing->step->verb, [Verb::LookOver, Verb::Mate, Verb::Tug], true) => self::check($doing),
            $doing->step->verb === Verb::Cool => sprintf(', %d s', $doing->step->seconds),
            default => '',
        };
    }

    /** As it is marked, in its own unit, and from where; "" where it has none. */
    public function length(Doing $doing): string
    {
        $measure = $doing->step->measure;

        return match (true) {
            $measure === null || $this->isFlush($doing) => '',
            $measure->from === MeasuredFrom::Terminal => $this->reaches($doing).$measure->asks(),
            $measure->from === MeasuredFrom::Legs => sprintf(
                '%s %s, from the cut end%s',
                $measure->kind->words(),
                $doing->station->longest()?->canonical() ?? $measure->written,
                $doing->station->longest() === null ? '' : ', as long as its longest leg',
            ),
            $measure->from === MeasuredFrom::Leg => $this->legs($doing),
            default => $measure->words(),
        };
    }

    /** Without its length. */
    public function does(Doing $doing): string
    {
        $part = self::PARTS[$doing->step->part] ?? str_replace('-', ' ', $doing->step->part);
        $what = $this->pieces($doing->pieces);

        return match ($doing->step->verb) {
            Verb::Mark => 'Mark it',
            Verb::Measure => 'Measure on the equipment how far it has to reach',
            Verb::Turn => sprintf('Turn the %s over', $part),
            Verb::CutOff => 'Cut the end off, square',
            Verb::Score => sprintf('Score %s round', $what),
            Verb::Remove => sprintf('Take off %s', $what),
            Verb::Tear => sprintf('Tear off %s', $what),
            Verb::Fold => sprintf('Lay %s back', $what),
            Verb::Open => sprintf($this->isSplit($doing) ? 'Split %s by the cord' : 'Open %s', $what),
            Verb::Untwist => sprintf('Untwist %s', self::cores($doing) ?? $what),
            Verb::Twist => sprintf('Twist %s', $what),
            Verb::Point => sprintf('Cut %s to a point', $what),
            Verb::Wind => sprintf('Wind %s round', $what),
            Verb::Trim => $this->isFlush($doing)
                ? sprintf('Cut %s off flush, at %s', $what, $this->edge($doing))
                : sprintf('Cut %s to length', $this->leg($doing) ?? $what),
            Verb::Arrange => sprintf('Lay %s side by side, in order', self::cores($doing) ?? $what),
            Verb::Wet => sprintf('Fill %s', self::terminals($doing)),
            Verb::Tin => sprintf('Tin %s', $what),
            Verb::Tape => sprintf('Tape %s', $what),
            Verb::Insulate => sprintf('Put a sleeve over %s', $what),
            Verb::Slide => sprintf('Slide on the %s', $part),
            Verb::Seat => sprintf('Bring the %s to its place', $part),
            Verb::Insert => sprintf('Push %s in, all at once', $what),
            Verb::LayIn => sprintf('Lay %s into their slots, by the print', self::cores($doing) ?? $what),
            Verb::Ferrule => sprintf(
                count($doing->byTerminal()) === 1 ? 'Put a ferrule on %s' : 'Put ferrules on %s',
                $what,
            ),
            Verb::Mate => $part === ''
                ? 'Plug it into the half that is finished'
                : sprintf('Plug both halves together and tighten the %s', $part),
            Verb::Join => sprintf('Solder %s into %s', $what, self::terminals($doing)),
            Verb::Clamp => sprintf('Screw %s into %s', $what, self::terminals($doing)),
            Verb::PressIn => sprintf('Press %s in', $what),
            Verb::PushOn => 'Push the body on',
            Verb::LayForward => sprintf('Lay %s forward over the barrel', $what),
            Verb::Slit => sprintf('Slit %s along', $what),
            Verb::Crimp => $part === ''
                ? sprintf('Crimp contacts on %s', $what)
                : sprintf('Crimp the %s', $part).self::places($doing),
            Verb::SolderOn => sprintf('Solder contacts on %s', $what),
            Verb::Load => sprintf('Put %s into their places', $what),
            // A coaxial contact goes into its place once it is whole.
            Verb::Fix => $part === 'insert' ? 'Push the contact into its insert' : sprintf('Close the %s', $part),
            Verb::Shrink => match ($doing->step->part) {
                'shrink' => 'Shrink it on',
                'joint-shrink' => 'Shrink it over the joints',
                default => sprintf('Shrink the %s', $part),
            },
            Verb::Tie => sprintf('Put the %s round it', $part),
            Verb::Bind => sprintf('Hold %s down with the tie', $what),
            Verb::Cool => 'Let it cool',
            Verb::LookOver => 'Look it over',
            Verb::Tug => 'Tug each joint',
            Verb::Close => 'Close it',
            Verb::Coil => 'Coil the cable',
        };
    }

    /** What lies in its insulation is a core to whoever takes it between two fingers. */
    private static function cores(Doing $doing): ?string
    {
        $isCore = static fn (Piece $piece): bool => $piece->kind->isAroundAConductor();
        $count = count(array_filter($doing->pieces, $isCore));

        return $count > 1 ? sprintf('%d cores', $count) : null;
    }

    /** @param  list<Piece>  $pieces */
    private function pieces(array $pieces): string
    {
        $byKind = [];
        foreach ($pieces as $piece) {
            $byKind[$piece->kind->value][] = $piece;
        }
        $words = [];
        foreach ($byKind as $of) {
            $words[] = $this->like($of);
        }

        return implode(' and ', array_filter([implode(', ', array_slice($words, 0, -1)), ...array_slice($words, -1)]));
    }

    /** @param  non-empty-list<Piece>  $pieces  of one kind */
    private function like(array $pieces): string
    {
        $count = count($pieces);
        $kind = $pieces[0]->kind;
        $word = $kind->word();
        if ($kind === PieceKind::Metal) {
            return $count === 1 ? 'the '.$this->core($pieces[0]) : sprintf('%d cores', $count);
        }
        if ($kind->isAroundAConductor()) {
            return $count === 1
                ? sprintf('the %s of the %s', $word, $this->core($pieces[0]))
                : sprintf('the %s of %d cores', $word, $count);
        }

        return $count === 1 ? 'the '.$word : sprintf('%d %ss', $count, $word);
    }

    /** "red core", "centre" */
    public function core(Piece $piece): string
    {
        $element = $this->cable->element($piece->element);

        return $element?->permittivity === null ? trim(($element->colour ?? '').' core') : 'centre';
    }

    private static function check(Doing $doing): string
    {
        return $doing->step->check === '' ? '' : ': '.$doing->step->check;
    }

    /** How far to their terminals, with what is left beyond: one length, or as many as there are. */
    private function reaches(Doing $doing): string
    {
        $more = $doing->step->measure->length ?? Length::zero();
        $lengths = [];
        foreach (array_keys($doing->byTerminal()) as $terminal) {
            $length = ($doing->station->terminals->reaches[$terminal] ?? Length::zero())->plus($more);
            $lengths[$length->nanometres] = $length->canonical();
        }
        ksort($lengths);
        $lengths = array_values($lengths);
        $words = match (true) {
            count($lengths) > 3 => sprintf(
                '%d lengths, %s to %s',
                count($lengths),
                $lengths[0],
                $lengths[count($lengths) - 1],
            ),
            default => implode(', ', $lengths),
        };

        return $words.' from the edge of the sheath';
    }

    /** How long the legs are cut, each by its name. */
    private function legs(Doing $doing): string
    {
        $words = [];
        foreach ($doing->pieces as $piece) {
            $length = ($doing->station->legs[$piece->element] ?? Length::zero())
                ->plus($doing->step->measure->length ?? Length::zero());
            $words[] = sprintf(
                'the %s %s',
                $this->cable->element($piece->element)->label ?? $piece->element,
                $length->canonical(),
            );
        }

        return implode(', ', $words).' from the edge of the sheath';
    }

    /** Where a part takes more than one crimp and all of them are one step. */
    private static function places(Doing $doing): string
    {
        $parts = $doing->station->parts;
        $times = in_array($doing->step->part, $parts->atOnce, true) ? $parts->crimps[$doing->step->part] ?? 1 : 1;

        return $times === 1 ? '' : sprintf(' at %d places', $times);
    }

    private static function terminals(Doing $doing): string
    {
        $terminals = array_map(strval(...), array_keys($doing->byTerminal()));

        return match (true) {
            $terminals === [] => 'nothing',
            count($terminals) > 4 => sprintf('%d terminals', count($terminals)),
            count($terminals) === 1 => 'terminal '.$terminals[0],
            default => 'terminals '.implode(', ', $terminals),
        };
    }

    /** Of legs that are cut as a whole: "the mains leg". */
    private function leg(Doing $doing): ?string
    {
        $names = array_map(
            fn (Piece $piece): string => $this->cable->element($piece->element)->label ?? $piece->element,
            $doing->pieces,
        );

        return $doing->step->measure?->from !== MeasuredFrom::Leg
            ? null
            : sprintf('the %s leg', implode(' and ', $names));
    }

    private function isSplit(Doing $doing): bool
    {
        return ($doing->pieces[0] ?? null)?->kind->isSheath() === true;
    }

    private function edge(Doing $doing): string
    {
        return str_replace('from ', '', (string) $doing->step->measure?->from->words());
    }

    private function isFlush(Doing $doing): bool
    {
        $measure = $doing->step->measure;

        return $doing->step->verb === Verb::Trim &&
            $measure?->kind === MeasureKind::Remaining &&
            $measure->length->isZero();
    }
}
