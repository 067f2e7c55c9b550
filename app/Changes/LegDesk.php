<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Planning\Loaded;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/**
 * How single legs of an end are made: by which procedure, how far they reach, with a sleeve of their own. Each is one
 * change that can be undone.
 */
final readonly class LegDesk
{
    public function __construct(private EndEdits $edits)
    {
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

        return $this->edits->write($loaded, $by, $run, $side, $run->end($side)->withLegs($made), $words, $version);
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
        $of = self::leg($end, $leg, 'Only a leg that leaves its sheath with others is measured. Choose one of those.');
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
        $legs = self::with($end, $of->reaching($onEquipment, $length));
        $how = match (true) {
            ! $onEquipment => 'is cut as it is planned',
            $length === null => 'is measured on the equipment',
            default => 'reaches '.$length->canonical().', measured on the equipment',
        };
        $words = sprintf('%s end %s: leg %s %s', $run->code, $side->value, $of->label, $how);

        return $this->edits->write($loaded, $by, $run, $side, $legs, $words, $version);
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
     * Sleeves some legs, each by itself, or no longer.
     *
     * @param  list<string>  $legs
     * @param  ?string  $sleeve  part; "" whichever goes round it; null: none
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function sleeve(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        array $legs,
        ?string $sleeve,
        int $version,
    ): RunWritten {
        $end = $run->end($side);
        $labels = [];
        foreach ($legs === [] ? [''] : array_unique($legs) as $leg) {
            $of = self::leg($end, $leg, 'Only a leg that leaves its sheath with others is sleeved by itself. Choose '.
                'one of those, or sleeve the whole cable.');
            $made = $of->sleevedWith($sleeve);
            self::goesRound($made, $run, $loaded);
            $end = self::with($end, $made);
            $labels[] = $of->label;
        }
        $part = $loaded->installation->catalogue->part($sleeve ?? '');
        $words = sprintf(
            '%s end %s: %s %s %s',
            $run->code,
            $side->value,
            count($labels) > 1 ? 'legs' : 'leg',
            implode(', ', $labels),
            match (true) {
                $sleeve === null => 'not sleeved by itself',
                $part === null => 'sleeved with what goes round it',
                default => 'sleeved with '.lcfirst($part->name),
            },
        );

        return $this->edits->write($loaded, $by, $run, $side, $end, $words, $version);
    }

    /** @throws BadLine where what it is to be sleeved with is not there, or is too narrow or too wide */
    private static function goesRound(Leg $leg, Run $run, Loaded $loaded): void
    {
        $catalogue = $loaded->installation->catalogue;
        $cable = $catalogue->cable($run->cable);
        $part = $catalogue->part($leg->sleeve ?? '');
        if ($cable === null || ($leg->sleeve ?? '') !== '' && $part?->kind !== PartKind::Sleeve) {
            throw BadLine::because(
                'sleeve',
                $leg->sleeve ?? '',
                'There is no such sleeve in the catalogue. Choose one that is offered.',
            );
        }
        if ($leg->sleeve !== null && LegSleeving::chosen($leg, $cable, $catalogue) === null) {
            throw BadLine::because(
                'sleeve',
                $part->name ?? 'by size',
                sprintf(
                    'Leg %s is %s round, and %s. Choose one that is offered.',
                    $leg->label,
                    LegSleeving::girth($leg, $cable)->canonical(),
                    $part === null ? 'no sleeve of the catalogue goes round it' : 'this does not go round it',
                ),
            );
        }
    }

    /** @throws BadLine with this remedy, where there is no such leg or it is the only one */
    private static function leg(End $end, string $id, string $remedy): Leg
    {
        foreach (count($end->legs) < 2 ? [] : $end->legs as $leg) {
            if ($leg->id === $id) {
                return $leg;
            }
        }

        throw BadLine::because('leg', $id, $remedy);
    }

    private static function with(End $end, Leg $made): End
    {
        return $end->withLegs(
            array_map(static fn (Leg $each): Leg => $each->id === $made->id ? $made : $each, $end->legs),
        );
    }
}
