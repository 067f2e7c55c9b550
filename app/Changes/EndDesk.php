<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Planning\Loaded;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\School;

/**
 * What a planner decides about one end by hand, against the plans or the procedures. Each is one change that can be
 * undone.
 */
final readonly class EndDesk
{
    public function __construct(private ChangeLog $log)
    {
    }

    /**
     * Joins one conductor otherwise than the plans would, or goes back to the plans.
     *
     * @param  ?HandJoint  $joint  null: as the plans have it
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function join(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        string $conductor,
        ?HandJoint $joint,
        int $version,
    ): RunWritten {
        $cable = $loaded->installation->catalogue->cables()[$run->cable] ?? null;
        if (! isset($cable?->conductors()[$conductor])) {
            throw BadLine::because('conductor', $conductor, 'The cable has no such conductor. Load the page again.');
        }
        $how = $joint === null ? 'as the plans have it' : 'joined by hand';
        $words = sprintf('%s end %s: %s %s', $run->code, $side->value, $conductor, $how);

        return $this->write(
            $loaded,
            $by,
            $run,
            $side,
            $run->end($side)->joinedByHand($conductor, $joint),
            $words,
            $version,
        );
    }

    /**
     * Makes some legs of an end by another procedure; "" goes back to what the connector names.
     *
     * @param  list<string>  $legs
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function makeBy(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        array $legs,
        string $procedure,
        int $version,
    ): RunWritten {
        $known = $loaded->installation->catalogue->procedure($procedure);
        if ($procedure !== '' && $known === null) {
            throw BadLine::because(
                'procedure',
                $procedure,
                'There is no such procedure. Choose one from the catalogue.',
            );
        }
        foreach ($run->end($side)->legs as $leg) {
            $isMeant = $known !== null && in_array($leg->id, $legs, true);
            foreach ($isMeant ? self::unsafe($loaded, $leg, $known) : [] as $missing) {
                throw BadLine::because('procedure', $known->name ?? '', $missing);
            }
        }
        $made = array_map(
            static fn (Leg $leg): Leg => in_array($leg->id, $legs, true) ? $leg->madeBy($procedure) : $leg,
            $run->end($side)->legs,
        );
        $how = $known === null ? 'as its connector has it' : 'by '.$known->name;
        $words = sprintf('%s end %s made %s', $run->code, $side->value, $how);

        return $this->write($loaded, $by, $run, $side, $run->end($side)->withLegs($made), $words, $version);
    }

    /** @return list<string> what would be missing of the steps that secure somebody's life */
    private static function unsafe(Loaded $loaded, Leg $leg, MakingProcedure $procedure): array
    {
        $catalogue = $loaded->installation->catalogue;
        $type = $catalogue->connector($loaded->installation->fitting($leg->landing->fitting ?? '')->connector ?? '');

        return $type === null ? [] : $catalogue->unsecured($type, $procedure);
    }

    /**
     * A leg is measured on the equipment before it is cut, or was.
     *
     * @param  string  $measured  from where it leaves the sheath; "": nobody has yet
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function reach(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        string $leg,
        bool $onEquipment,
        string $measured,
        int $version,
    ): RunWritten {
        $end = $run->end($side);
        $of = array_values(array_filter($end->legs, static fn (Leg $each): bool => $each->id === $leg))[0] ?? null;
        if ($of === null || count($end->legs) < 2) {
            throw BadLine::because(
                'leg',
                $leg,
                'Only a leg that leaves its sheath with others is measured. Choose one of those.',
            );
        }
        $beyond = self::beyond($loaded, $run, $side, $of);
        if ($onEquipment && $beyond === null) {
            throw BadLine::because(
                'leg',
                $leg,
                'How this leg is made says nothing of what stays beyond what is measured. Leave it as it is planned.',
            );
        }
        $length = $onEquipment && $measured !== '' && $beyond !== null
            ? self::measured($measured, $of, $beyond)
            : null;
        $legs = array_map(
            static fn (Leg $each): Leg => $each === $of ? $each->reaching($onEquipment, $length) : $each,
            $end->legs,
        );
        $how = match (true) {
            ! $onEquipment => 'is cut as it is planned',
            $length === null => 'is measured on the equipment',
            default => 'reaches '.$length->canonical().', measured on the equipment',
        };
        $words = sprintf('%s end %s: leg %s %s', $run->code, $side->value, $of->label, $how);

        return $this->write($loaded, $by, $run, $side, $end->withLegs($legs), $words, $version);
    }

    /** What its procedure leaves of the leg beyond what is measured; null where none makes it, or that does not say. */
    private static function beyond(Loaded $loaded, Run $run, Side $side, Leg $leg): ?Length
    {
        $in = $loaded->installation;
        $cable = $in->catalogue->cable($run->cable);
        $joints = $loaded->plan()->runs->get($run->id)->end($side)->joints;
        foreach ($cable === null ? [] : (new EndMaker($in))->of($run, $side, $cable, $joints) as $fitting) {
            foreach ($fitting->legs as $each) {
                if ($each->leg->id === $leg->id) {
                    return $each->made?->procedure->beyondMeasured();
                }
            }
        }

        return null;
    }

    /** @throws BadLine */
    private static function measured(string $text, Leg $leg, Length $beyond): Length
    {
        try {
            $length = Length::parse($text, 'mm');
        } catch (InvalidMeasure $invalid) {
            throw BadLine::because('measured', $text, $invalid->getMessage());
        }
        $most = $leg->length->minus($beyond);
        if ($length->compare(Length::zero()) <= 0 || $length->compare($most) >= 0) {
            throw BadLine::because(
                'measured',
                $text,
                sprintf(
                    'The leg is opened to %s, and its connector takes %s beyond what is measured: give less than %s, '.
                        'or state a longer leg first.',
                    $leg->length->canonical(),
                    $beyond->canonical(),
                    $most->canonical(),
                ),
            );
        }

        return $length;
    }

    /**
     * One of the house's questions, answered for this end; "" leaves it to the loom, the family or the house.
     *
     * @throws BadLine where there is no such question or answer, or both ends have to agree on it
     * @throws StaleWrite
     */
    public function answer(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        string $question,
        string $answer,
        int $version,
    ): RunWritten {
        $school = HouseRules::school($question);
        if ($school === null || $school::latitude() !== Latitude::End) {
            throw BadLine::because('question', $question, $school === null
                ? 'There is no such question. Load the page again.'
                : 'This is answered for a cable as a whole. Answer it for the loom, the family or the house.');
        }
        $choice = $answer === '' ? null : $school::tryFrom($answer);
        if ($answer !== '' && $choice === null) {
            throw BadLine::because('answer', $answer, 'There is no such answer. Choose one that is offered.');
        }
        $end = $run->end($side);
        $own = array_values(array_filter($end->own, static fn (School $each): bool => $each::class !== $school));
        $words = sprintf(
            '%s end %s: %s %s',
            $run->code,
            $side->value,
            $school::question(),
            $choice?->words() ?? 'as elsewhere',
        );

        return $this->write(
            $loaded,
            $by,
            $run,
            $side,
            $end->answering($choice === null ? $own : [...$own, $choice]),
            $words,
            $version,
        );
    }

    private function write(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        End $end,
        string $words,
        int $version,
    ): RunWritten {
        $made = $run->withEnd($side, $end);

        return new RunWritten(
            $run->id,
            $this->log->write(
                Decision::on(
                    $loaded,
                    $by,
                    $words,
                    [RunEdits::run($made, $version)],
                    pins: RunEdits::used($loaded->installation, $made),
                ),
            ),
        );
    }
}
