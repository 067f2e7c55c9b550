<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ReflectionClass;
use ReflectionMethod;
use ReflectionNamedType;
use ReflectionParameter;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Plan\Near\HeldCards;
use Sartal\Core\Work\Bench\OperationPlanner;
use Tests\Support\Bench;

/** A copy differs in what it says that it differs in, and in nothing else, whatever properties there will be. */
final class WithersTest extends TestCase
{
    /** @var array<class-string, object> one of each class that the demo and the benches hold */
    private static array $samples = [];

    /** @return array<string, array{class-string}> */
    public static function classes(): array
    {
        $classes = [];
        $root = dirname(__DIR__, 3).'/core/';
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            $path = substr((string) $file, strlen($root), -4);
            $class = 'Sartal\\Core\\'.strtr($path, '/', '\\');
            if (class_exists($class) && in_array(Withers::class, class_uses($class), true)) {
                $classes[$path] = [$class];
            }
        }
        ksort($classes);

        return $classes;
    }

    private static function sample(string $class): object
    {
        if (self::$samples === []) {
            $json = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
            $bench = Bench::microphone();
            $plan = $bench->plan();
            self::gather([
                InstallationFile::parse($json),
                $bench->expectation()->wiring,
                (new OperationPlanner($bench->installation))->of(array_values($plan->assemblies)[0], $plan->runs),
                $bench->installation->catalogue,
                new Workpiece(AsCut::of($bench->installation->catalogue->theCable('pair-foil'))),
                HeldCards::from($bench->installation),
                new MakingProcedure('made-up', 'Made up', [], [], ''),
            ]);
        }

        return self::$samples[$class] ?? self::fail('There is no '.$class.' to try.');
    }

    /** Everything that can be reached from a value, one of each class. */
    private static function gather(mixed $value): void
    {
        $open = [$value];
        $seen = [];
        while ($open !== []) {
            $next = array_pop($open);
            if (is_array($next)) {
                array_push($open, ...array_values($next));
            } elseif (is_object($next) && ! isset($seen[spl_object_id($next)])) {
                $seen[spl_object_id($next)] = $next;
                self::$samples[$next::class] ??= $next;
                array_push($open, ...array_values(self::all($next)));
            }
        }
    }

    /** @return array<string, mixed> with what is private */
    private static function all(object $of): array
    {
        return (fn (): array => get_object_vars($this))->call($of);
    }

    /** @param  class-string  $class */
    #[DataProvider('classes')]
    public function test_every_property_goes_along(string $class): void
    {
        $sample = self::sample($class);
        $copy = (fn (): object => $this->copy([]))->call($sample);
        self::assertNotSame($sample, $copy);
        self::assertSame(self::all($sample), self::all($copy));
        $parameters = array_map(
            static fn (ReflectionParameter $parameter): string => $parameter->getName(),
            (new ReflectionClass($class))->getConstructor()?->getParameters() ?? [],
        );
        $derived = array_keys((new ReflectionClass($class))->getConstant('DERIVED'));
        self::assertEqualsCanonicalizing([...$parameters, ...$derived], array_keys(self::all($sample)));
    }

    /** @param  class-string  $class */
    #[DataProvider('classes')]
    public function test_each_wither_changes_what_it_names_and_nothing_else(string $class): void
    {
        $sample = self::sample($class);
        $source = file((string) (new ReflectionClass($class))->getFileName());
        $tried = 0;
        foreach ((new ReflectionClass($class))->getMethods(ReflectionMethod::IS_PUBLIC) as $method) {
            $body = implode(
                '',
                array_slice(
                    (array) $source,
                    $method->getStartLine() - 1,
                    $method->getEndLine() - $method->getStartLine() + 1,
                ),
            );
            if ($method->isStatic() || ! str_contains($body, '$this->copy(')) {
                continue;
            }
            $given = array_map(self::given(...), $method->getParameters());
            preg_match_all("~'(\w+)' =>~", $body, $named);
            $may = $named[1];
            if ($method->getName() === 'changed') {
                $may = ['name'];
                $given = [['name' => 'said otherwise']];
            } elseif (str_contains($body, "? 'a' : 'b'")) {
                $may = ['a'];
            }
            $copy = $method->invokeArgs($sample, $given);
            self::assertInstanceOf($class, $copy);
            foreach (self::all($sample) as $property => $was) {
                if (! in_array($property, $may, true)) {
                    self::assertSame($was, self::all($copy)[$property], $method->getName().' changes '.$property);
                }
            }
            $tried++;
        }
        self::assertGreaterThan(0, $tried, 'What has no wither needs no copies.');
    }

    private static function given(ReflectionParameter $parameter): mixed
    {
        $type = $parameter->getType();
        $name = $type instanceof ReflectionNamedType ? $type->getName() : '';

        return match (true) {
            $name === 'string' => 'said otherwise',
            $name === 'bool' => true,
            $name === 'float' => 2.5,
            $name === 'int' => 7,
            $name === 'array' => [],
            $name === Length::class => Length::millimetres(77),
            $name === 'self' => self::sample((string) $parameter->getDeclaringClass()?->getName()),
            $type?->allowsNull() === true => null,
            enum_exists($name) => $name::cases()[0],
            default => self::sample($name),
        };
    }

    public function test_the_rules_of_a_house_keep_what_was_chosen(): void
    {
        $rules = HouseRules::defaults()->with(HotColour::White);
        self::assertSame(HotColour::White, $rules->with(ColourScheme::A)->on(HotColour::class));
        $labelled = $rules->withLabels(new LabelScheme('{code}!'));
        self::assertSame(HotColour::White, $labelled->on(HotColour::class));
        foreach (['routeAllowance', 'cutStep', 'trimAllowance', 'payOut', 'usable', 'reelMargin'] as $property) {
            self::assertSame($rules->{$property}, $labelled->{$property});
            self::assertSame($rules->{$property}, $rules->with(ColourScheme::A)->{$property});
        }
        self::assertNotSame($rules->labels, $labelled->labels);
    }
}
