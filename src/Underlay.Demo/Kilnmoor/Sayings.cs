using System.Text;

namespace Underlay.Demo.Kilnmoor;

/// <summary>What Kilnmoor says, in three languages, and the lines of its almanac.</summary>
internal static class Sayings
{
    private static readonly Dictionary<string, (
        string En,
        string De,
        string Fr,
        string About,
        string Ueber,
        string Sur)> Wares = new(StringComparer.Ordinal)
        {
            ["water_jug"] = (
            "Water jug",
            "Wasserkrug",
            "Cruche à eau",
            "Stands by every door.",
            "Steht an jeder Tür.",
            "Se tient près de chaque porte."),
            ["oil_jar"] = (
            "Oil jar",
            "Ölkrug",
            "Jarre à huile",
            "Keeps oil in the dark.",
            "Hält Öl im Dunkeln.",
            "Garde l’huile dans le noir."),
            ["broth_bowl"] = (
            "Broth bowl",
            "Brühschale",
            "Bol à bouillon",
            "For soup that steams.",
            "Für dampfende Suppe.",
            "Pour la soupe fumante."),
            ["bread_plate"] = (
            "Bread plate",
            "Brotteller",
            "Assiette à pain",
            "Wide enough for a loaf.",
            "Breit genug für einen Laib.",
            "Assez large pour une miche."),
            ["tea_cup"] = ("Tea cup", "Teetasse", "Tasse à thé", "Thin at the lip.", "Dünn am Rand.", "Fine au bord."),
            ["cider_bottle"] =
                ("Cider bottle", "Mostflasche", "Bouteille à cidre", "Holds the fizz.", "Hält die Perlen.", "Garde les bulles."),
            ["reed_vase"] = (
            "Reed vase",
            "Schilfvase",
            "Vase aux roseaux",
            "Tall, for three stems.",
            "Hoch, für drei Halme.",
            "Haut, pour trois tiges."),
            ["salt_crock"] = (
            "Salt crock",
            "Salztopf",
            "Pot à sel",
            "Dry in any weather.",
            "Trocken bei jedem Wetter.",
            "Sec par tous les temps."),
            ["wash_basin"] =
                ("Wash basin", "Waschschüssel", "Cuvette", "For cold mornings.", "Für kalte Morgen.", "Pour les matins froids."),
            ["ale_beaker"] = (
            "Ale beaker",
            "Bierbecher",
            "Gobelet à bière",
            "Never stands long.",
            "Steht nie lange.",
            "Ne reste jamais longtemps."),
            ["milk_pitcher"] = (
            "Milk pitcher",
            "Milchkanne",
            "Pot à lait",
            "Pours without a drop.",
            "Gießt ohne Tropfen.",
            "Verse sans goutte."),
            ["honey_pot"] = (
            "Honey pot",
            "Honigtopf",
            "Pot à miel",
            "With a lid against ants.",
            "Mit Deckel gegen Ameisen.",
            "Avec couvercle, contre les fourmis."),
            ["ink_well"] = ("Ink well", "Tintenfass", "Encrier", "For short letters.", "Für kurze Briefe.", "Pour de courtes lettres."),
            ["butter_dish"] = ("Butter dish", "Butterdose", "Beurrier", "Cool in the cellar.", "Kühl im Keller.", "Au frais à la cave."),
        };

    private static readonly (string Key, string En, string De, string Fr)[] Others =
    [
        (
            "cream_slip",
            "Cream slip",
            "Rahmengobe",
            "Engobe crème"), ("olive", "Olive", "Olive", "Olive"), ("ash_blue", "Ash blue", "Aschblau", "Bleu cendré"),
        ("milk", "Milk", "Milch", "Lait"), ("celadon", "Celadon", "Seladon", "Céladon"), (
            "iron_brown",
            "Iron brown",
            "Eisenbraun",
            "Brun de fer"),
        (
            "reed_green",
            "Reed green",
            "Schilfgrün",
            "Vert roseau"), ("salt", "Salt", "Salz", "Sel"), ("amber", "Amber", "Bernstein", "Ambre"),
        ("wedging", "Wedging", "Kneten", "Malaxage"), ("throwing", "Throwing", "Drehen", "Tournage"), (
            "trimming",
            "Trimming",
            "Abdrehen",
            "Tournassage"),
        ("handles", "Handles", "Henkel", "Anses"), ("lids", "Lids", "Deckel", "Couvercles"), (
            "slip_trailing",
            "Slip trailing",
            "Malhorn",
            "Barolet"),
        ("ash_glazing", "Ash glazing", "Aschglasieren", "Émail de cendre"), ("salt_firing", "Salt firing", "Salzbrand", "Cuisson au sel"),
        ("kiln_reading", "Kiln reading", "Ofenlesen", "Lecture du four"),
        ("dig_red_clay", "Dig red clay", "Roten Ton graben", "Extraire l’argile rouge"), (
            "dig_grey_clay",
            "Dig grey clay",
            "Grauen Ton graben",
            "Extraire l’argile grise"),
        (
            "wash_white_clay",
            "Wash white clay",
            "Weißen Ton schlämmen",
            "Laver l’argile blanche"), ("mix_stoneware", "Mix stoneware", "Steinzeug mischen", "Mélanger le grès"),
        (
            "mould_brick",
            "Mould bricks",
            "Ziegel streichen",
            "Mouler des briques"), ("mould_tile", "Mould tiles", "Fliesen formen", "Mouler des carreaux"),
        (
            "burn_reed_ash",
            "Burn reed ash",
            "Schilf verbrennen",
            "Brûler des roseaux"), ("mix_plaster", "Mix plaster", "Gips anrühren", "Gâcher le plâtre"),
        ("break_sherds", "Break sherds", "Scherben schlagen", "Casser des tessons"),
        ("quay_ground", "Quay ground", "Kaiplatz", "Place du quai"), ("green_ground", "Green ground", "Angerplatz", "Place du pré"), (
            "hill_ground",
            "Hill ground",
            "Hügelplatz",
            "Place de la colline"),
        ("quay_tower", "Quay tower", "Kaiturm", "Tour du quai"), ("green_tower", "Green tower", "Angerturm", "Tour du pré"), (
            "hill_tower",
            "Hill tower",
            "Hügelturm",
            "Tour de la colline"),
    ];

    private static readonly (string Code, string Season, string En, string De, string Fr)[] Almanac =
    [
        (
            "first_frost",
            "winter",
            "First frost: bring the slip indoors.",
            "Erster Frost: Engobe hereinholen.",
            "Premier gel : rentrer l’engobe."),
        (
            "reed_cutting",
            "autumn",
            "Reed cutting: ash is cheap.",
            "Schilfschnitt: Asche ist billig.",
            "Coupe des roseaux : la cendre est bon marché."),
        (
            "high_water",
            "spring",
            "High water: the quay stalls move uphill.",
            "Hochwasser: die Stände ziehen bergauf.",
            "Hautes eaux : les étals montent."),
        ("dry_wind", "summer", "Dry wind: pots crack on the boards.", "Trockener Wind: Töpfe reißen.", "Vent sec : les pots se fendent."),
        ("kiln_moon", "autumn", "Kiln moon: fire tonight.", "Ofenmond: heute brennen.", "Lune du four : cuire ce soir."),
        (
            "soft_rain",
            "spring",
            "Soft rain: good clay, bad trade.",
            "Sanfter Regen: guter Ton, wenig Handel.",
            "Pluie douce : bonne argile, peu de ventes."),
    ];

    private static bool IsIn(string edition, string key) =>
        key == "kiln_reading" ? edition == "4.0" : edition != "3.0" || !key.EndsWith("_tower", StringComparison.Ordinal);

    public static void Add(DemoTree tree, string edition)
    {
        var wares = new StringBuilder("key,en,de,fr\n");
        foreach (var ware in WareList.All.Where(w => !w.Left || edition != "4.0"))
        {
            var (id, said) = ($"moor.{WareList.NameIn(ware.Name, edition)}", Wares[ware.Name]);
            wares.Append(Row($"{id}/name", said.En, said.De, said.Fr)).Append(Row($"{id}/about", said.About, said.Ueber, said.Sur));
        }

        var others = new StringBuilder("key,en,de,fr\n");
        foreach (var (key, en, de, fr) in Others.Where(o => IsIn(edition, o.Key)))
            others.Append(Row($"moor.{key}/name", en, de, fr));
        foreach (var ware in WareList.All.Where(w => !w.Left || edition != "4.0"))
        {
            var (id, said) = ($"moor.{WareList.NameIn(ware.Name, edition)}_kilnful", Wares[ware.Name]);
            others.Append(Row($"{id}/name", $"{said.En}, a kilnful", $"{said.De}, ein Ofen voll", $"{said.Fr}, une fournée"));
        }

        tree.Text("texts/wares.csv", wares.ToString());
        tree.Text("texts/entries.csv", others.ToString());
        tree.Text("tables/almanac.csv", "code,season\n" + string.Concat(Almanac.Select(a => $"{a.Code},{a.Season}\n")));
        tree.Text("texts/almanac.csv", "key,en,de,fr\n" + string.Concat(Almanac.Select(a => Row($"{a.Code}/line", a.En, a.De, a.Fr))));
    }

    /// <summary>A row of texts; what has a comma in it stands in quotes.</summary>
    public static string Row(string key, string en, string de, string fr) =>
        string.Join(',', new[] { key, en, de, fr }.Select(v => v.Contains(',', StringComparison.Ordinal) ? $"\"{v}\"" : v)) + "\n";
}
