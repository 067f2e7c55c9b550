<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\ShippedCatalogue;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\UsedTypes;

/**
 * An installation's own catalogue types: written beside the shipped ones, so
 * that they survive a newer catalogue, and through the change log, so that
 * they can be undone.
 */
final readonly class TypeDesk
{
    public function __construct(private ChangeLog $log)
    {
    }

    /**
     * One type from its JSON shape, in its canonical spelling.
     *
     * @return array<int|string, mixed>
     *
     * @throws InvalidDocument naming every field that is wrong
     */
    public static function canonical(DecisionKind $kind, mixed $definition): array
    {
        $types = Decided::type($kind, $definition)->{$kind->list()}();

        return self::shape(reset($types) ?: throw BadLine::because('definition', '', 'A definition is needed.'));
    }

    /**
     * @param  ?int  $version  of the own type that it replaces; null where there is none yet
     *
     * @throws InvalidDocument|StaleWrite|BadLine
     */
    public function save(Loaded $loaded, Author $by, DecisionKind $kind, mixed $definition, ?int $version): string
    {
        $shape = self::canonical($kind, $definition);
        $id = is_string($shape['id']) ? $shape['id'] : '';
        self::keepsWhatIsLocked($loaded, $kind, $definition);
        self::namesWhatSecures($loaded, $kind, $definition);
        $exists = $loaded->stored->entries()->where('kind', $kind->value)->where('key', $id)->exists();
        if ($exists && $version === null) {
            throw BadLine::because(
                'id',
                $id,
                'There is a type of your own with this id already. Choose another id, or edit that one.',
            );
        }
        $name = is_string($shape['name']) ? $shape['name'] : $id;
        $words = sprintf('%s %s %s', ucfirst($kind->value), $name, $exists ? 'changed' : 'added to the catalogue');
        $this->log->write(
            Decision::on(
                $loaded,
                $by,
                $words,
                [new Edit($kind, $id, $shape, $version)],
                typed: is_array($definition) ? $definition : null,
            ),
        );

        return $id;
    }

    /**
     * What secures somebody's life stays in every procedure that makes the same ends.
     *
     * @throws BadLine
     */
    private static function keepsWhatIsLocked(Loaded $loaded, DecisionKind $kind, mixed $definition): void
    {
        if ($kind !== DecisionKind::Procedure) {
            return;
        }
        $copy = self::procedure($definition);
        foreach (self::lockedMissing($loaded->installation, $copy) as $missing) {
            throw BadLine::because('steps', $copy->name, $missing);
        }
    }

    /** @return list<string> what it lacks of the locked steps of every procedure that makes the same ends */
    public static function lockedMissing(Installation $in, MakingProcedure $copy): array
    {
        $missing = [];
        foreach ($in->catalogue->procedures() as $known) {
            $isOfTheSame = $known->id === $copy->id ||
                $copy->securesAs($known) ||
                in_array($known->id, $copy->insteadOf, true) ||
                array_intersect($known->insteadOf, $copy->insteadOf) !== [];
            array_push($missing, ...$isOfTheSame ? $known->missingIn($copy) : []);
        }
        foreach ($in->catalogue->connectors() as $type) {
            $isNamed = in_array($copy->id, $type->cable->procedures, true);
            array_push($missing, ...$isNamed ? $in->catalogue->unsecured($type, $copy) : []);
        }

        return array_values(array_unique($missing));
    }

    /**
     * A mains connector names nothing that leaves out what secures somebody's life.
     *
     * @throws BadLine
     */
    private static function namesWhatSecures(Loaded $loaded, DecisionKind $kind, mixed $definition): void
    {
        $catalogue = $loaded->installation->catalogue;
        foreach ($kind === DecisionKind::Connector ? Decided::type($kind, $definition)->connectors() : [] as $type) {
            foreach ($type->cable->procedures as $prepares => $id) {
                $procedure = $catalogue->procedure($id) ?? throw BadLine::because(
                    'cable.procedures.'.$prepares,
                    $id,
                    'There is no such procedure. Name one of the catalogue.',
                );
                foreach ($catalogue->unsecured($type, $procedure) as $missing) {
                    throw BadLine::because('cable.procedures.'.$prepares, $procedure->name, $missing);
                }
            }
        }
    }

    /** @throws InvalidDocument naming every field that is wrong */
    public static function procedure(mixed $definition): MakingProcedure
    {
        $procedures = Decided::type(DecisionKind::Procedure, $definition)->procedures();

        return reset($procedures) ?: throw BadLine::because('definition', '', 'A definition is needed.');
    }

    /**
     * A type that nothing uses is taken out; one in use is retired: it stays for those who use it and is offered to
     * nobody.
     *
     * @return string "removed" or "retired"
     *
     * @throws StaleWrite|BadLine
     */
    public function remove(Loaded $loaded, Author $by, DecisionKind $kind, string $id, ?int $version): string
    {
        $list = $kind->list();
        $type = $loaded->installation->catalogue->{$list}()[$id] ?? null;
        if ($type === null) {
            throw BadLine::because('id', $id, 'There is no such type.');
        }
        $own = $loaded->stored->entries()->where('kind', $kind->value)->where('key', $id)->exists();
        $used = isset(UsedTypes::in($loaded->installation)->{$list}()[$id]);
        if ($own && (! $used || isset(ShippedCatalogue::load()->{$list}()[$id]))) {
            $words = sprintf('%s %s taken out of the catalogue', ucfirst($kind->value), $type->name);
            $this->log->write(Decision::on($loaded, $by, $words, [Edit::without($kind, $id, $version)]));

            return 'removed';
        }
        if (! property_exists($type, 'retired')) {
            throw BadLine::because(
                'id',
                $id,
                $used ? 'It is in use. Change what uses it first.' : 'It ships with Sartal and stays.',
            );
        }
        $shape = [...self::shape($type), 'retired' => true];
        $edit = new Edit($kind, $id, $shape, $own ? $version : null);
        $words = sprintf('%s %s retired', ucfirst($kind->value), $type->name);
        $this->log->write(Decision::on($loaded, $by, $words, [$edit]));

        return 'retired';
    }

    /** @return array<int|string, mixed> in its canonical spelling */
    public static function shape(
        CableType|ConnectorType|SignalType|ContactPlan|Part|MakingProcedure $type,
    ): array {
        /** @var array<int|string, mixed> $shape */
        $shape = json_decode((string) json_encode(CatalogueEncoder::type($type)), true);

        return $shape;
    }
}
