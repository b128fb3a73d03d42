global using Underlay.Core.Checks;
global using Underlay.Core.Packs;
global using Underlay.Testing;
