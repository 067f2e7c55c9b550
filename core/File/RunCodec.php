<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\BareEnd;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;

/** A run from and into its JSON shape (docs/formats.md). */
final class RunCodec
{
    /** Longest run that anybody pays out in one piece. */
    private const LONGEST = 2000;

    private const LONGEST_TAIL = 100;

    private const MOST_SPARES = 20;

    public static function decode(Fields $fields): Run
    {
        return new Run(
            FileDecoder::id($fields),
            $fields->name('code'),
            Interned::text($fields->name('cable')),
            $fields->choice('build', Build::class, Build::Shop),
            self::end($fields->child('a')),
            self::end($fields->child('b')),
            $fields->texts('ways'),
            $fields->each(
                'carries',
                static fn (Fields $carriage): Carriage => new Carriage(
                    Interned::text($carriage->text('element', '')),
                    $carriage->name('circuit'),
                ),
            ),
            $fields->optionalText('loom'),
            $fields->text('note', ''),
            $fields->flag('withdrawn', false),
            $fields->has('length') ? $fields->length('length', Length::metres(self::LONGEST)) : null,
            $fields->has('sleeve') ? $fields->text('sleeve') : null,
        );
    }

    private static function end(Fields $fields): End
    {
        $most = Length::metres(self::LONGEST_TAIL);
        $legs = $fields->each('legs', self::leg(...));
        CatalogueDecoder::once($fields, 'legs', array_map(static fn (Leg $leg): string => $leg->id, $legs));
        $end = new End(
            Interned::text($fields->name('location')),
            $fields->length('tail', Length::metres(self::LONGEST), Length::zero()),
            $fields->length('slack', $most, Length::zero()),
            $fields->length('preparation', $most, Length::zero()),
            $fields->whole('spares', 0, self::MOST_SPARES, 0),
            $legs,
            $fields->each(
                'exceptions',
                static fn (Fields $joint): HandJoint => new HandJoint(
                    $joint->name('conductor'),
                    $joint->optionalText('to'),
                    $joint->name('reason'),
                ),
            ),
            $fields->textMap('unused'),
            self::bare($fields, $legs),
            $fields->has('rules') ? SchoolsCodec::own($fields->child('rules')) : [],
        );
        $fields->done();

        return $end;
    }

    /** @param  list<Leg>  $legs */
    private static function bare(Fields $fields, array $legs): ?BareEnd
    {
        if (! $fields->has('bare')) {
            return null;
        }
        $bare = $fields->choice('bare', BareEnd::class);

        return ! End::land($legs) ? $bare : $fields->wrong(
            'bare',
            $bare->value,
            'is for an end without a connector. Leave it out, or what lands there.',
            null,
        );
    }

    private static function leg(Fields $fields): Leg
    {
        $landing = null;
        if ($fields->has('landing')) {
            $on = $fields->child('landing');
            $landing = new Landing($on->name('fitting'), Interned::text($on->name('plan')), $on->textMap('channels'));
            $on->done();
        }

        $onEquipment = $fields->flag('onEquipment', false);

        return new Leg(
            Interned::text(FileDecoder::id($fields)),
            Interned::text($fields->text('label', '')),
            $fields->texts('elements'),
            $fields->length('length', Length::metres(self::LONGEST_TAIL), Length::zero()),
            $landing,
            // A recipe that was chosen before there were procedures names what makes its ends since.
            $fields->text('procedure', $fields->text('recipe', '')),
            $onEquipment,
            $fields->has('measured') ? $fields->length('measured', Length::metres(self::LONGEST_TAIL)) : null,
            $fields->has('sleeve') ? $fields->text('sleeve') : null,
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(Run $run): array
    {
        return CatalogueEncoder::brief([
            'id' => $run->id,
            'code' => $run->code,
            'cable' => $run->cable,
            'build' => $run->build->value,
            'loom' => $run->loom,
            'ways' => $run->ways,
            'carries' => array_map(
                static fn (Carriage $carriage): array => [
                    'element' => $carriage->element,
                    'circuit' => $carriage->circuit,
                ],
                $run->carries,
            ),
            'a' => self::encodeEnd($run->a),
            'b' => self::encodeEnd($run->b),
            'note' => $run->note,
            'withdrawn' => $run->withdrawn ?: null,
            'length' => $run->length?->canonical(),
        ]) + ($run->sleeve === null ? [] : ['sleeve' => $run->sleeve]);
    }

    /** @return array<int|string, mixed> */
    private static function encodeEnd(End $end): array
    {
        return CatalogueEncoder::brief([
            'location' => $end->location,
            'tail' => $end->tail->canonical(),
            'slack' => $end->slack->canonical(),
            'preparation' => $end->preparation->canonical(),
            'spares' => $end->spares,
            'legs' => array_map(self::encodeLeg(...), $end->legs),
            'exceptions' => array_map(
                static fn (HandJoint $joint): array => CatalogueEncoder::brief([
                    'conductor' => $joint->conductor,
                    'to' => $joint->to,
                    'reason' => $joint->reason,
                ]),
                $end->handJoints,
            ),
            'unused' => $end->unused === [] ? null : (object) $end->unused,
            'bare' => $end->bare?->value,
            'rules' => $end->own === [] ? null : (object) SchoolsCodec::encodeOwn($end->own),
        ]);
    }

    /** @return array<int|string, mixed> */
    private static function encodeLeg(Leg $leg): array
    {
        return CatalogueEncoder::brief([
            'id' => $leg->id,
            'label' => $leg->label,
            'elements' => $leg->elements,
            'length' => $leg->length->canonical(),
            'landing' => $leg->landing === null
                    ? null
                    : [
                        'fitting' => $leg->landing->fitting,
                        'plan' => $leg->landing->plan,
                        'channels' => (object) $leg->landing->channels,
                    ],
            'procedure' => $leg->procedure,
            'onEquipment' => $leg->onEquipment ?: null,
            'measured' => $leg->measured?->canonical(),
        ]) + ($leg->sleeve === null ? [] : ['sleeve' => $leg->sleeve]);
    }
}
