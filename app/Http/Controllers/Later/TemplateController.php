<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Formats\Beginning;
use App\Formats\FileExporter;
use App\Http\Requests\Later\NewTemplate;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Departure;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Proof\Record\Record;

/**
 * The next installation, begun from this one: its rules and types, or its building and cables too; never what was done.
 *
 * @phpstan-import-type InstallationRef from StoredInstallation
 */
final readonly class TemplateController
{
    public function __construct(private FileExporter $exporter, private Beginning $beginning)
    {
    }

    /** @return Answer<InstallationRef> */
    public function __invoke(
        #[Body(NewTemplate::class)] NewTemplate $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Answer {
        $key = $sent->key;
        if ($user->organisation()->firstOrFail()->installations()->where('key', $key)->exists()) {
            throw BadLine::because('key', $key, 'There is an installation of this name already. Choose another.');
        }
        $file = $this->exporter->export($loaded);
        $template = self::of(
            $file->installation,
            $key,
            $sent->name,
            $sent->building || $sent->runs,
            $sent->runs,
            $sent->shelf,
            $sent->rules,
        );
        $made = $this->beginning->from(
            new InstallationFile($template, new Record(), $file->people),
            $user,
            'from '.$stored->name,
            $sent->crew,
        );
        // Types of the house's own travel with it, whether a run uses them yet or not.
        foreach ($stored->entries()->whereIn('kind', array_column(DecisionKind::types(), 'value'))->get() as $type) {
            $made->entries()->create([
                'installation_id' => $made->id,
                'kind' => $type->kind,
                'key' => $type->key,
                'definition' => $type->definition,
            ]);
        }

        return new Answer($made->reference(), 201);
    }

    private static function of(
        Installation $in,
        string $key,
        string $name,
        bool $building,
        bool $runs,
        bool $shelf,
        bool $rules,
    ): Installation {
        $ships = Beginning::bare($key, $name)->installation;
        // A panel stays where it is, with nothing in it where no runs come along.
        $bare = static fn (Panel $panel): Panel => new Panel(...['places' => []] + get_object_vars($panel));

        return new Installation(
            $key,
            $name,
            match (true) {
                ! $rules => $ships->rules(),
                $runs => $in->rules(),
                // What was answered for a loom goes where the loom goes.
                default => $in->rules()->departing(array_values(array_filter(
                    $in->rules()->departures,
                    static fn (Departure $departure): bool => $departure->of !== DepartureOf::Loom,
                ))),
            },
            $in->catalogue,
            $building ? $in->locations() : [],
            $building ? $in->ways() : [],
            $runs ? $in->looms() : [],
            $runs ? $in->circuits() : [],
            $building ? $in->equipment() : [],
            $runs ? $in->fittings() : [],
            $runs ? $in->runs() : [],
            $runs ? $in->matings() : [],
            $runs ? $in->splices() : [],
            $runs ? $in->links() : [],
            $runs ? $in->switches() : [],
            $building ? $in->junctions() : [],
            $building ? array_map($runs ? static fn (Panel $panel): Panel => $panel : $bare, $in->panels()) : [],
            reels: $shelf ? $in->reels() : [],
            economy: $in->economy(),
            workshop: $rules ? $in->workshop() : $ships->workshop(),
            testing: $rules ? $in->testing() : $ships->testing(),
            instruments: $in->instruments(),
            patterns: $rules ? $in->patterns() : [],
        );
    }
}
