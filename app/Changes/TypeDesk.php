<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\ShippedCatalogue;
use App\Planning\TypeKinds;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Recipe;
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
    public static function canonical(string $kind, mixed $definition): array
    {
        $types = self::alone($kind, $definition)->{TypeKinds::LISTS[$kind]};

        return self::shape(reset($types) ?: throw BadLine::because('definition', '', 'A definition is needed.'));
    }

    /**
     * A catalogue of nothing but this type.
     *
     * @throws InvalidDocument
     */
    public static function alone(string $kind, mixed $definition): Catalogue
    {
        $problems = new Problems();
        $catalogue = CatalogueDecoder::catalogue(Fields::of([TypeKinds::LISTS[$kind] => [$definition]], '', $problems));
        $problems->settle();

        return $catalogue;
    }

    /** The installation as it would be with a type of its own. */
    public static function with(Installation $installation, string $kind, mixed $definition): Installation
    {
        return $installation->withCatalogue(self::alone($kind, $definition)->plus($installation->catalogue));
    }

    /**
     * @param  ?int  $version  of the own type that it replaces; null where there is none yet
     *
     * @throws InvalidDocument|StaleWrite|BadLine
     */
    public function save(Loaded $loaded, User $by, string $kind, mixed $definition, ?int $version): string
    {
        $shape = self::canonical($kind, $definition);
        $id = is_string($shape['id']) ? $shape['id'] : '';
        $exists = $loaded->stored->parts()->where('kind', $kind)->where('key', $id)->exists();
        if ($exists && $version === null) {
            throw BadLine::because(
                'id',
                $id,
                'There is a type of your own with this id already. Choose another id, or edit that one.',
            );
        }
        $name = is_string($shape['name']) ? $shape['name'] : $id;
        $this->log->write(
            $loaded->stored,
            $by,
            sprintf('%s %s %s', ucfirst($kind), $name, $exists ? 'changed' : 'added to the catalogue'),
            [new Edit($kind, $id, $shape, $version)],
        );

        return $id;
    }

    /**
     * A type that nothing uses is taken out; one in use is retired: it stays for those who use it and is offered to nobody.
     *
     * @return string "removed" or "retired"
     *
     * @throws StaleWrite|BadLine
     */
    public function remove(Loaded $loaded, User $by, string $kind, string $id, ?int $version): string
    {
        $list = TypeKinds::LISTS[$kind];
        $type = $loaded->installation->catalogue->{$list}[$id] ?? null;
        if ($type === null) {
            throw BadLine::because('id', $id, 'There is no such type.');
        }
        $own = $loaded->stored->parts()->where('kind', $kind)->where('key', $id)->exists();
        $used = isset(UsedTypes::of($loaded->installation)->{$list}[$id]);
        if ($own && (! $used || isset(ShippedCatalogue::load()->{$list}[$id]))) {
            $this->log->write(
                $loaded->stored,
                $by,
                sprintf('%s %s taken out of the catalogue', ucfirst($kind), $type->name),
                [new Edit($kind, $id, null, $version)],
            );

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
        $this->log->write($loaded->stored, $by, sprintf('%s %s retired', ucfirst($kind), $type->name), [
            new Edit($kind, $id, $shape, $own ? $version : null),
        ]);

        return 'retired';
    }

    /** @return array<int|string, mixed> */
    private static function shape(CableType|ConnectorType|SignalType|ContactPlan|Part|Recipe $type): array
    {
        /** @var array<int|string, mixed> $shape */
        $shape = json_decode((string) json_encode(CatalogueEncoder::type($type)), true);

        return $shape;
    }
}
