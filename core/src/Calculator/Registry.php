<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use Dithermic\Core\Changeover;
use Dithermic\Core\Charge;
use Dithermic\Core\Cycle;
use Dithermic\Core\Drying;
use Dithermic\Core\Force;
use Dithermic\Core\Forming;
use Dithermic\Core\Heat;
use Dithermic\Core\Identification;
use Dithermic\Core\Material;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Mesh;
use Dithermic\Core\Quality;
use Dithermic\Core\Quantity;
use Dithermic\Core\Safety;
use Dithermic\Core\Settings;
use Dithermic\Core\Vacuum;
use ReflectionClass;
use ReflectionMethod;
use ReflectionNamedType;
use ReflectionParameter;

/**
 * The one door to every calculation by name: command line, HTTP, tests and screens all come through here.
 * A calculation is an invokable class carrying #[Calc]; the parameter and return types of __invoke are its contract.
 */
final class Registry
{
    /** @var list<class-string> in the order of the work */
    private const CALCULATIONS = [
        Identification\Rank::class,
        Mesh\Measure::class,
        Charge\Sheet::class,
        Charge\SheetSchools::class,
        Charge\SheetThickness::class,
        Charge\Shot::class,
        Charge\Profile::class,
        Charge\Blend::class,
        Charge\Blanks::class,
        Material\Archimedes::class,
        Heat\General\SlabCalculation::class,
        Heat\Press\PressCycle::class,
        Heat\Press\PressSchools::class,
        Heat\Sheet\VacuumSheet::class,
        Heat\Sheet\VacuumCool::class,
        Heat\Wall\CoolingTime::class,
        Heat\Wall\MouldContact::class,
        Heat\Barrel\BarrelSoak::class,
        Heat\Bath\BarInBath::class,
        Force\Clamp::class,
        Force\LeverInjection::class,
        Force\Press::class,
        Force\PlatenBow::class,
        Force\TransferRecipe::class,
        Force\SoftMouldSettings::class,
        Vacuum\Atmosphere::class,
        Vacuum\PumpDown::class,
        Vacuum\TwoStage::class,
        Vacuum\Leak::class,
        Vacuum\Convert::class,
        Forming\Draw::class,
        Forming\Wall::class,
        Forming\MouldCheck::class,
        Drying\Plan::class,
        Drying\Exposure::class,
        Drying\Condition::class,
        Changeover\Purge::class,
        Changeover\Sequence::class,
        Cycle\Capacity::class,
        Quality\ThicknessGrid::class,
        Quality\Porosity::class,
        Quality\ControlChart::class,
        Quality\Capability::class,
        Settings\Recommend::class,
        Safety\Check::class,
        Quantity\Parse::class,
    ];

    /** @var array<string, array{class-string, string}> */
    private array $known = [];

    public function __construct(private readonly PolymerLibrary $polymers = new PolymerLibrary, private readonly Files $files = new LocalFiles)
    {
        foreach (self::CALCULATIONS as $class) {
            $calc = (new ReflectionClass($class))->getAttributes(Calc::class)[0]->newInstance();
            $this->known[$calc->name] = [$class, $calc->purpose];
        }
    }

    /** @return array<string, string> purpose by name */
    public function list(): array
    {
        return array_map(static fn (array $entry): string => $entry[1], $this->known);
    }

    /**
     * What the scratch bench shows of each: group, title, the words people look for it by, and an input to start from.
     *
     * @return list<array{group: string, name: string, title: string, words: string, example: array<string, mixed>}>
     */
    public function bench(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/../../data/bench.json'), true);
    }

    public function has(string $name): bool
    {
        return isset($this->known[$name]);
    }

    /**
     * @param  mixed  $input  decoded JSON
     *
     * @throws InputError
     */
    public function run(string $name, mixed $input): Result
    {
        $calculation = $this->make($name);
        $result = $calculation(Reader::read($this->contract($name)[0], $input));
        assert($result instanceof Result);

        return $result;
    }

    /** @return array{name: string, purpose: string, input: array<string, mixed>, result: array<string, mixed>} */
    public function schema(string $name): array
    {
        [$input, $result] = $this->contract($name);

        return ['name' => $name, 'purpose' => $this->known[$name][1], 'input' => Schema::of($input), 'result' => Schema::of($result)];
    }

    private function make(string $name): callable
    {
        $this->mustKnow($name);
        $class = $this->known[$name][0];
        // A calculation may ask for the polymers or for files; what has a default is its own.
        $needs = array_filter((new ReflectionClass($class))->getConstructor()?->getParameters() ?? [], static fn (ReflectionParameter $p): bool => ! $p->isOptional());
        $needs = array_map(fn (ReflectionParameter $need): object => (string) $need->getType() === Files::class ? $this->files : $this->polymers, $needs);
        $calculation = new $class(...$needs);
        assert(is_callable($calculation));

        return $calculation;
    }

    /** @return array{class-string, class-string} the input and the result class */
    private function contract(string $name): array
    {
        $this->mustKnow($name);
        $invoke = new ReflectionMethod($this->known[$name][0], '__invoke');
        $input = $invoke->getParameters()[0]->getType();
        $result = $invoke->getReturnType();
        assert($input instanceof ReflectionNamedType && $result instanceof ReflectionNamedType);
        /** @var array{class-string, class-string} */
        $pair = [$input->getName(), $result->getName()];

        return $pair;
    }

    private function mustKnow(string $name): void
    {
        if (! isset($this->known[$name])) {
            throw new InputError('name', "there is no calculation \"{$name}\"; `calc --list` names them all");
        }
    }
}
