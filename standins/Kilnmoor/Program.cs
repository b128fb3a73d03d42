using Kilnmoor;
using StandIns;

if (CommandLine.Read(args, "kilnmoor", [.. Editions.All]) is not { } asked) return 2;
Console.Out.Write(Game.Load(Layer.OfFolder(asked.Base), asked.Edition, asked.Insist, asked.Packages).ToJson());
return 0;
