<?php

declare(strict_types=1);

namespace App\Formats;

use App\Changes\RunLines;
use App\Planning\ShippedCatalogue;
use LogicException;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Proof\Record\Record;

/**
 * Something that ships to try things on: a building, and lines of words that are read as a planner's own would be, so
 * that whoever begins from it can ask of every run what it was filled in from.
 *
 * @phpstan-type Ships array{
 *     name: string,
 *     words: string,
 *     building?: string,
 *     whole?: string,
 *     file?: array<string, mixed>,
 *     lines?: list<string>,
 * }
 */
final readonly class Sample
{
    /** Members of an installation file that say where things are. */
    private const BUILDING = ['locations', 'ways', 'junctions'];

    /** @param  Ships  $ships */
    public function __construct(public string $id, private array $ships)
    {
    }

    public function name(): string
    {
        return $this->ships['name'];
    }

    public function words(): string
    {
        return $this->ships['words'];
    }

    /** Under a name of its own, with none of its people at work. */
    public function file(string $key, string $name): InstallationFile
    {
        if (isset($this->ships['whole'])) {
            $whole = InstallationFile::parse(self::text($this->ships['whole']));

            return new InstallationFile($whole->installation->named($key, $name), $whole->record, $whole->people);
        }
        $bare = Beginning::bare($key, $name, $this->building())->installation;
        $lined = $this->lined($bare->withCatalogue(ShippedCatalogue::load()));

        return new InstallationFile($lined->withCatalogue(UsedTypes::in($lined)), new Record(), []);
    }

    /** @return array<array-key, mixed> members of an installation file */
    private function building(): array
    {
        if (! isset($this->ships['building'])) {
            return $this->ships['file'] ?? [];
        }
        /** @var array<string, mixed> $whole */
        $whole = json_decode(self::text($this->ships['building']), true, 512, JSON_THROW_ON_ERROR);

        return array_intersect_key($whole, array_flip(self::BUILDING));
    }

    private function lined(Installation $in): Installation
    {
        $read = RunLines::quick($in, implode("\n", $this->ships['lines'] ?? []));
        foreach ($read as $line) {
            if ($line->refused !== null) {
                throw new LogicException(sprintf('%s: "%s" %s', $this->id, $line->text, $line->refused->getMessage()));
            }
        }

        return $read === [] ? $in : $read[count($read) - 1]->with;
    }

    private static function text(string $file): string
    {
        return (string) file_get_contents(database_path('demo/'.$file));
    }
}
