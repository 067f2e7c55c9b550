<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use App\Planning\Loaded;
use App\Planning\ShippedCatalogue;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Catalogue\CableFace;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\CoaxGeometry;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\FaceCircle;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\UsedTypes;

/**
 * Catalogue types: a line each, or one with its figures and where it is used.
 *
 * @phpstan-import-type Drawing from ConnectorResource
 *
 * @phpstan-type TypeKind 'cable'|'connector'|'signal'|'plan'|'part'|'procedure'
 * @phpstan-type TypesPage array{
 *     cable: list<TypeLine>,
 *     connector: list<TypeLine>,
 *     signal: list<TypeLine>,
 *     plan: list<TypeLine>,
 *     part: list<TypeLine>,
 *     procedure: list<TypeLine>,
 *     recipes: int,
 *     converted: list<array{id: string, name: string}>,
 * }
 * @phpstan-type TypeDetail array{
 *     kind: TypeKind,
 *     id: string,
 *     name: string,
 *     definition: array<int|string, mixed>,
 *     version: int|null,
 *     shipped: bool,
 *     newer: array<int|string, mixed>|null,
 *     answers: list<array{value: string, title: string}>,
 *     used: bool,
 *     retired: bool,
 *     figures: list<array{label: string, value: string, rule: string}>,
 *     drawing: Drawing|null,
 *     face: list<FaceShown>,
 * }
 * @phpstan-type TypeDrawn array{
 *     figures: list<array{label: string, value: string, rule: string}>,
 *     drawing: Drawing|null,
 *     face: list<FaceShown>,
 * }
 * @phpstan-type FaceShown array{
 *     path: string,
 *     kind: value-of<ElementKind>,
 *     label: string,
 *     colour: string,
 *     x: float,
 *     y: float,
 *     radius: float,
 * }
 * @phpstan-type TypeLine array{
 *     id: string,
 *     name: string,
 *     about: string,
 *     source: 'own'|'shipped'|'file',
 *     version: int|null,
 *     used: bool,
 *     retired: bool,
 * }
 */
final class TypeResource
{
    /** @return TypesPage kind → lines */
    public static function all(Loaded $loaded): array
    {
        $own = self::own($loaded);
        $used = UsedTypes::in($loaded->installation);
        $shipped = ShippedCatalogue::load();
        $lines = [];
        foreach (DecisionKind::offered() as $of) {
            [$kind, $list] = [$of->value, $of->list()];
            $lines[$kind] = [];
            foreach ($loaded->installation->catalogue->{$list}() as $id => $type) {
                $id = (string) $id;
                $lines[$kind][] = [
                    'id' => $id,
                    'name' => $type->name,
                    'about' => self::about($type, $loaded->installation->catalogue),
                    'source' => isset($own[$kind][$id])
                        ? 'own'
                        : (isset($shipped->{$list}()[$id])
                            ? 'shipped'
                            : 'file'),
                    'version' => $own[$kind][$id] ?? null,
                    'used' => isset($used->{$list}()[$id]),
                    'retired' => $type->retired ?? false,
                ];
            }
        }

        $former = $loaded->pinned->former;

        /** @var TypesPage */
        return [
            ...$lines,
            'recipes' => count($former->recipes),
            // Of the house's own recipes, which are procedures since.
            'converted' => array_map(
                static fn (MakingProcedure $each): array => ['id' => $each->id, 'name' => $each->name],
                $former->ownAmong($loaded->installation->catalogue->procedures(), $shipped->former->marks),
            ),
        ];
    }

    /** @return TypeDetail */
    public static function of(DecisionKind $kind, string $id, Loaded $loaded): array
    {
        $list = $kind->list();
        $catalogue = $loaded->installation->catalogue;
        $type = $catalogue->{$list}()[$id] ?? abort(404, 'There is no such type here.');

        $shipped = ShippedCatalogue::load()->{$list}()[$id] ?? null;
        /** @var TypeKind $of */
        $of = $kind->value;

        return [
            'kind' => $of,
            'id' => $id,
            'name' => $type->name,
            'definition' => CatalogueEncoder::type($type),
            'version' => self::own($loaded)[$kind->value][$id] ?? null,
            'shipped' => $shipped !== null,
            // Of a procedure: what ships with Sartal, where that is another edition than is followed here.
            'newer' => $shipped instanceof MakingProcedure && $shipped != $type
                ? CatalogueEncoder::type($shipped)
                : null,
            'answers' => $type instanceof MakingProcedure ? self::answers() : [],
            'used' => isset(UsedTypes::in($loaded->installation)->{$list}()[$id]),
            'retired' => $type->retired ?? false,
            ...self::drawn($type, $catalogue),
        ];
    }

    /** @return TypeDrawn what can be seen of it, and what follows from it */
    public static function drawn(
        CableType|ConnectorType|SignalType|ContactPlan|Part|MakingProcedure $type,
        Catalogue $catalogue,
    ): array {
        return [
            'figures' => $type instanceof CableType ? self::figures($type) : [],
            'drawing' => $type instanceof ConnectorType
                ? ConnectorResource::of(new Fitting('', '', $type->id, ''), $catalogue)
                : null,
            'face' => $type instanceof CableType ? array_map(self::circle(...), CableFace::of($type)) : [],
        ];
    }

    /** @return FaceShown */
    private static function circle(FaceCircle $circle): array
    {
        return [
            'path' => $circle->path,
            'kind' => $circle->kind->value,
            'label' => $circle->label,
            'colour' => $circle->colour,
            'x' => round($circle->x, 3),
            'y' => round($circle->y, 3),
            'radius' => round($circle->radius, 3),
        ];
    }

    /** @return list<array{value: string, title: string}> what a house may answer, as a step names it and in words */
    private static function answers(): array
    {
        $answers = [];
        foreach (HouseRules::SCHOOLS as $school) {
            foreach ($school::cases() as $answer) {
                $answers[] = [
                    'value' => $school::key().'='.$answer->value,
                    'title' => $school::question().' '.ucfirst($answer->words()),
                ];
            }
        }

        return $answers;
    }

    /** @return array<int|string, array<int|string, int>> kind → id → version */
    private static function own(Loaded $loaded): array
    {
        $own = [];
        foreach (
            $loaded->stored
                ->entries()
                ->toBase()
                ->whereIn('kind', array_column(DecisionKind::types(), 'value'))
                ->get(['kind', 'key', 'version']) as $row
        ) {
            $own[$row->kind][$row->key] = (int) $row->version;
        }

        return $own;
    }

    private static function about(
        CableType|ConnectorType|SignalType|ContactPlan|Part|MakingProcedure $type,
        Catalogue $catalogue,
    ): string {
        return match (true) {
            $type instanceof CableType => $type->family.', '.$type->outerDiameter->canonical(),
            $type instanceof ConnectorType => sprintf(
                '%s, %s, %s',
                $type->gender->value,
                $type->mount->value,
                self::many(count($type->cavities), 'contact'),
            ),
            $type instanceof SignalType => implode(
                ', ',
                array_slice(array_map(static fn ($function): string => $function->name, $type->functions), 0, 5),
            ),
            $type instanceof ContactPlan => sprintf(
                '%s, %s',
                $catalogue->connector($type->connector)->name ?? $type->connector,
                self::many(count($type->channels), 'channel'),
            ),
            $type instanceof Part => trim($type->kind->value.' '.$type->colour),
            $type instanceof MakingProcedure => self::many(count($type->steps), 'step'),
        };
    }

    private static function many(int $count, string $of): string
    {
        return sprintf('%d %s%s', $count, $of, $count === 1 ? '' : 's');
    }

    /**
     * Electrical figures that follow from gauge and geometry, each with its rule.
     *
     * @return list<array{label: string, value: string, rule: string}>
     */
    private static function figures(CableType $cable): array
    {
        $figures = [];
        $gauges = [];
        foreach ($cable->conductors() as $conductor) {
            if (! $conductor->isBare()) {
                $gauges[$conductor->gauge->text.' '.$conductor->element->metal->value] = $conductor;
            }
        }
        foreach ($gauges as $name => $conductor) {
            $figures[] = [
                'label' => 'Resistance '.$name,
                'value' => number_format($conductor->ohmsPerMetre() * 1000, 1).' Ω/km',
                'rule' => 'area by ASTM B258, copper at 20 °C by IEC 60028'.
                    ($conductor->element->metal->resistance() > 1 ? ', copper-clad 1.6 times that' : ''),
            ];
        }
        $coax = self::coax($cable, $cable->construction);
        if ($coax !== null) {
            $figures[] = [
                'label' => 'Impedance',
                'value' => number_format($coax->impedance(), 1).' Ω',
                'rule' => sprintf(
                    '59.96 / √εr × ln(D/d), D %s, d %.2f mm, εr %s',
                    $coax->dielectric->canonical(),
                    $coax->centre->inMillimetres(),
                    $coax->permittivity,
                ),
            ];
            $figures[] = [
                'label' => 'Capacitance',
                'value' => number_format($coax->capacitance() * 1e12, 1).' pF/m',
                'rule' => '2π ε0 εr / ln(D/d)',
            ];
            $figures[] = [
                'label' => 'Velocity',
                'value' => number_format($coax->velocity() * 100, 0).' %',
                'rule' => '1/√εr',
            ];
        } elseif (($line = $cable->impedance('')) !== null) {
            $figures[] = [
                'label' => 'Impedance',
                'value' => number_format($line, 0).' Ω',
                'rule' => 'nominal, as the type is made',
            ];
        }

        return $figures;
    }

    private static function coax(CableType $cable, Element $element): ?CoaxGeometry
    {
        foreach ($element->children as $child) {
            if ($child->kind === ElementKind::Coax) {
                return $cable->coax($child);
            }
        }

        return null;
    }
}
