using StandIns;
using Wrenfield;

if (CommandLine.Read(args, "wrenfield", ["1", "2"]) is not { } asked) return 2;
Console.Out.Write(Viewer.Load(Library.OfFolder(asked.Base), asked.Edition == "1" ? 1 : 2, asked.Insist, asked.Packages).ToJson());
return 0;
