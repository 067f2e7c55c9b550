<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Planning\ShippedCatalogue;
use App\Planning\Uncollected;
use Illuminate\Console\Command;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Plan\Planning\Planner;

/** The plan of an installation file as JSON on standard output. Needs no database. */
final class PlanCommand extends Command
{
    private const MOST_BYTES = 64_000_000;

    protected $signature = 'sartal:plan {file : an installation file (docs/formats.md); "-" reads standard input}';

    protected $description = 'Compute the plan of an installation file and print it as JSON';

    public function handle(): int
    {
        $path = $this->argument('file');
        $path = is_string($path) ? $path : '';
        if ($path !== '-' && (! is_file($path) || ! is_readable($path))) {
            return $this->wrong(sprintf('%s cannot be read. Name a file that is there.', $path));
        }
        $size = $path === '-' ? 0 : (int) filesize($path);
        if ($size > self::MOST_BYTES) {
            return $this->wrong(sprintf('%s is over %d MB.', $path, self::MOST_BYTES / 1_000_000));
        }
        try {
            $file = InstallationFile::parse((string) file_get_contents($path === '-' ? 'php://stdin' : $path));
        } catch (InvalidDocument $invalid) {
            foreach ($invalid->problems as $problem) {
                $this->wrong(
                    sprintf(
                        '%s (%s) %s',
                        $problem->path === '' ? 'file' : $problem->path,
                        $problem->value,
                        $problem->words,
                    ),
                );
            }

            return $this->wrong(
                $invalid->more === 0
                    ? sprintf('%d wrong in all.', count($invalid->problems))
                    : sprintf('And %d more.', $invalid->more),
            );
        }
        $installation = $file->installation->withCatalogue(
            FormerConversion::completed($file->installation->catalogue, ShippedCatalogue::load()),
        );
        $plan = Uncollected::run(
            static fn (): array => PlanEncoder::plan(
                (new Planner())->plan($installation, $file->record),
                $installation,
            ),
        );
        $this->output->writeln(
            json_encode(
                $plan,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function wrong(string $words): int
    {
        fwrite(STDERR, $words."\n");

        return self::FAILURE;
    }
}
