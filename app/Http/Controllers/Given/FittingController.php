<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Given\FittingChange;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Installation\Fitting;

/** How one connector is made up: where its cable leaves, where it points, which parts were chosen by hand. */
final readonly class FittingController
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @return Answer<array{saved: true}> */
    public function update(
        #[Body(FittingChange::class)] FittingChange $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $fitting = $loaded->installation->fittings()[$id] ?? abort(404, 'There is no such fitting here.');
        $type =
            $loaded->installation->catalogue->connectors()[$fitting->connector] ??
            abort(404, 'The connector type of this fitting is unknown.');
        $changed = new Fitting(
            $fitting->id,
            $fitting->label,
            $fitting->connector,
            $fitting->location,
            $fitting->inserts,
            $fitting->shared,
            $sent->exit !== null ? self::exit($sent->exit, $type) : $fitting->exit,
            $sent->saysClocking() ? self::clocking($sent->clocking, $type) : $fitting->clocking,
            $sent->parts !== null ? self::parts($sent->parts, $loaded) : $fitting->parts,
        );
        $edit = new Edit(DecisionKind::Fitting, $id, FileEncoder::fitting($changed), $sent->version);
        $this->log->write(Decision::on($loaded, $author, sprintf('%s made up otherwise', $fitting->label), [$edit]));

        return new Answer(['saved' => true]);
    }

    private static function exit(string $name, ConnectorType $type): string
    {
        $names = array_map(static fn ($exit): string => $exit->name, $type->cable->exits);
        if (! in_array($name, $names, true)) {
            throw BadLine::because(
                'exit',
                $name,
                $names === [] ? 'This connector has one exit only.' : 'Choose one of: '.implode(', ', $names).'.',
            );
        }

        // The usual exit is not written down, so that it stays the usual one.
        return $name === $names[0] ? '' : $name;
    }

    private static function clocking(?int $degrees, ConnectorType $type): ?int
    {
        if ($degrees === null) {
            return null;
        }
        if (! in_array($degrees, $type->cable->clocking, true)) {
            throw BadLine::because(
                'clocking',
                (string) $degrees,
                $type->cable->clocking === []
                    ? 'This connector points nowhere.'
                    : 'Choose one of: '.implode(', ', $type->cable->clocking).' degrees.',
            );
        }

        return $degrees;
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>
     */
    private static function parts(array $ids, Loaded $loaded): array
    {
        foreach ($ids as $id) {
            if (! isset($loaded->installation->catalogue->parts()[$id])) {
                throw BadLine::because('parts', $id, 'There is no such part. Choose one from the catalogue.');
            }
        }

        return $ids;
    }
}
