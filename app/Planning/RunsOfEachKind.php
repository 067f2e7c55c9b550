<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Proof\Record\Record;

/**
 * One run of each kind that an installation has, with its whole catalogue: enough to try a type on while somebody edits
 * it, and read at once however many runs there are.
 */
final readonly class RunsOfEachKind
{
    /** Kinds of runs that are kept, at most. */
    private const MOST = 150;

    public function __construct(private InstallationStore $store)
    {
    }

    public function in(StoredInstallation $stored): Installation
    {
        ['file' => $file] = Kept::once(
            $stored,
            'runs of each kind',
            Kept::state($stored->decisions),
            fn (): array => ['file' => $this->file($this->store->load($stored))],
        );
        $read = InstallationFile::parse($file)->installation;

        return $read->withCatalogue(FormerConversion::completed($read->catalogue, ShippedCatalogue::load()));
    }

    private function file(Loaded $loaded): string
    {
        $in = $loaded->installation;
        $runs = $fittings = $circuits = [];
        foreach ($in->runs() as $id => $run) {
            $kind = self::kind($run, $in);
            if (count($runs) >= self::MOST || isset($runs[$kind])) {
                continue;
            }
            $runs[$kind] = $run;
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $fitting = $in->fitting($leg->landing->fitting ?? '');
                $fittings += $fitting === null ? [] : [$fitting->id => $fitting];
            }
            foreach ($run->carries as $carriage) {
                $circuit = $in->circuit($carriage->circuit);
                $circuits += $circuit === null ? [] : [$circuit->id => $circuit];
            }
        }
        $few = new Installation(
            $in->id,
            $in->name,
            $in->rules(),
            $loaded->pinned,
            $in->locations(),
            $in->ways(),
            $in->looms(),
            $circuits,
            fittings: $fittings,
            runs: array_column($runs, null, 'id'),
        );

        return (new InstallationFile($few, new Record(), []))->print();
    }

    /** Alike in what an end is made of: cable, legs, connectors and what is in them. */
    private static function kind(Run $run, Installation $in): string
    {
        $ends = [];
        foreach ([$run->a, $run->b] as $end) {
            $ends[] = array_map(static fn (Leg $leg): array => [
                $leg->elements,
                $in->fitting($leg->landing->fitting ?? '')->connector ?? '',
                $in->fitting($leg->landing->fitting ?? '')->inserts ?? [],
            ], $end->legs);
        }

        return hash('xxh128', serialize([$run->cable, $ends]));
    }
}
